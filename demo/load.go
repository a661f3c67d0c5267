package demo

import (
	"context"
	"errors"

	"parvix/server/api"
	"parvix/server/domain"
)

// Load makes the demo teacher and the demonstrations, once.
func Load(ctx context.Context, store domain.Store) error {
	if _, err := store.TeacherNamed(ctx, Teacher); err == nil {
		return nil
	} else if !errors.Is(err, domain.ErrNotFound) {
		return err
	}
	documents, err := Documents()
	if err != nil {
		return err
	}
	// Nobody knows this password: the way in is the one-click sign-in.
	hash, err := domain.HashPassword(api.NewID() + api.NewID())
	if err != nil {
		return err
	}
	t, err := store.AddTeacher(ctx, Teacher, hash)
	if err != nil {
		return err
	}
	// The first file is to stand first on the shelf, which lists the newest first.
	for i := len(documents) - 1; i >= 0; i-- {
		d := documents[i]
		if err := store.Add(ctx, &domain.Demonstration{ID: api.NewID(), OwnerID: t.ID, Title: d.Title, Document: d}); err != nil {
			return err
		}
	}
	return nil
}
