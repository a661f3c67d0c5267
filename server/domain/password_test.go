package domain_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"parvix/server/domain"
)

func TestOnlyTheRightPasswordFits(t *testing.T) {
	hash, err := domain.HashPassword("a long enough password")
	require.NoError(t, err)
	// OWASP Password Storage Cheat Sheet: argon2id, 19 MiB, two passes, one lane.
	assert.True(t, strings.HasPrefix(hash, "$argon2id$v=19$m=19456,t=2,p=1$"), hash)
	assert.True(t, domain.PasswordFits("a long enough password", hash))
	assert.False(t, domain.PasswordFits("a long enough passworD", hash))
	assert.False(t, domain.PasswordFits("", hash))
	assert.False(t, domain.PasswordFits("anything", ""), "an account that does not exist")
	assert.False(t, domain.PasswordFits("anything", "$argon2id$broken$x$y$z"))
	second, err := domain.HashPassword("a long enough password")
	require.NoError(t, err)
	assert.NotEqual(t, hash, second, "every hash has a salt of its own")
}

func TestAPasswordHasALength(t *testing.T) {
	for _, password := range []string{"short", strings.Repeat("x", 201), ""} {
		_, err := domain.HashPassword(password)
		assert.ErrorContains(t, err, "10 to 200")
	}
}
