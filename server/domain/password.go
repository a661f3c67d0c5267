package domain

import (
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"strings"
	"unicode/utf8"

	"golang.org/x/crypto/argon2"
)

// argon2id with OWASP's parameters (Password Storage Cheat Sheet): 19 MiB, two passes, one lane.
const (
	argonMemory, argonPasses, argonLanes, argonKey, argonSalt = 19 * 1024, 2, 1, 32, 16
	// MinPassword and MaxPassword count characters.
	MinPassword, MaxPassword = 10, 200
)

// HashPassword gives the text that is stored.
func HashPassword(password string) (string, error) {
	if n := utf8.RuneCountInString(password); n < MinPassword || n > MaxPassword {
		return "", fmt.Errorf("a password has %d to %d characters", MinPassword, MaxPassword)
	}
	salt := make([]byte, argonSalt)
	if _, err := rand.Read(salt); err != nil {
		return "", err
	}
	key := argon2.IDKey([]byte(password), salt, argonPasses, argonMemory, argonLanes, argonKey)
	encode := base64.RawStdEncoding.EncodeToString
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, argonMemory, argonPasses, argonLanes,
		encode(salt), encode(key)), nil
}

// PasswordFits tells whether a password is the one that was hashed. An empty hash costs the same time and never fits,
// so that nobody learns which names exist.
func PasswordFits(password, hash string) bool {
	parts := strings.Split(hash, "$")
	if len(parts) != 6 || len(password) > 4*MaxPassword {
		argon2.IDKey([]byte("nobody"), make([]byte, argonSalt), argonPasses, argonMemory, argonLanes, argonKey)
		return false
	}
	var memory uint32
	var passes uint32
	var lanes uint8
	if _, err := fmt.Sscanf(parts[3], "m=%d,t=%d,p=%d", &memory, &passes, &lanes); err != nil {
		return false
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[4])
	key, err2 := base64.RawStdEncoding.DecodeString(parts[5])
	if err1 != nil || err2 != nil {
		return false
	}
	got := argon2.IDKey([]byte(password), salt, passes, memory, lanes, uint32(len(key)))
	return subtle.ConstantTimeCompare(got, key) == 1
}
