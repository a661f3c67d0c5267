// Package store keeps the domain in MariaDB through GORM. It maps GORM's errors to the domain's; no SQL leaves it.
package store

import (
	"context"
	"database/sql"
	"embed"
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"strings"
	"time"

	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
	"gorm.io/driver/mysql"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"

	"parvix/core/stage/document"
	"parvix/server/domain"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Store is domain.Store in MariaDB.
type Store struct{ db *gorm.DB }

var _ domain.Store = (*Store)(nil)

// Open connects and migrates to the newest version.
func Open(ctx context.Context, dsn string) (*Store, error) {
	quiet := logger.NewSlogLogger(slog.Default(), logger.Config{LogLevel: logger.Error, ParameterizedQueries: true,
		IgnoreRecordNotFoundError: true})
	db, err := gorm.Open(mysql.Open(dsn), &gorm.Config{TranslateError: true, Logger: quiet})
	if err != nil {
		return nil, fmt.Errorf("connecting to the database: %w", err)
	}
	pool, err := db.DB()
	if err != nil {
		return nil, err
	}
	pool.SetMaxOpenConns(16)
	pool.SetConnMaxLifetime(5 * time.Minute)
	if err := migrate(ctx, pool); err != nil {
		return nil, fmt.Errorf("migrating the database: %w", err)
	}
	return &Store{db}, nil
}

// migrate brings the tables to the newest version; the lock keeps programs that start at the same time from doing it twice.
func migrate(ctx context.Context, pool *sql.DB) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	provider, err := goose.NewProvider(goose.DialectMySQL, pool, files, goose.WithSessionLocker(namedLock{}))
	if err != nil {
		return err
	}
	_, err = provider.Up(ctx)
	return err
}

// namedLock is MariaDB's own lock by name, which ends with its connection: a program that was killed holds up nobody.
type namedLock struct{}

var _ lock.SessionLocker = namedLock{}

// SessionLock waits for the lock.
func (namedLock) SessionLock(ctx context.Context, conn *sql.Conn) error {
	var got sql.NullInt64
	if err := conn.QueryRowContext(ctx, "SELECT GET_LOCK('parvix-migrations', 60)").Scan(&got); err != nil {
		return err
	}
	if got.Int64 != 1 {
		return errors.New("another program has been migrating for a minute")
	}
	return nil
}

// SessionUnlock lets it go.
func (namedLock) SessionUnlock(ctx context.Context, conn *sql.Conn) error {
	_, err := conn.ExecContext(ctx, "DO RELEASE_LOCK('parvix-migrations')")
	return err
}

// Pool is the connection pool, for the session store and health checks.
func (s *Store) Pool() *sql.DB {
	pool, err := s.db.DB()
	if err != nil {
		panic("store: " + err.Error())
	}
	return pool
}

type teacherRow struct {
	ID           uint64
	Name         string
	PasswordHash string
	CreatedAt    time.Time
}

// TableName is GORM's.
func (teacherRow) TableName() string { return "teachers" }

type demonstrationRow struct {
	ID        string
	OwnerID   uint64
	Title     string
	Revision  uint64
	Document  string
	SaveID    string
	ChangedAt time.Time
	DeletedAt *time.Time
}

// TableName is GORM's.
func (demonstrationRow) TableName() string { return "demonstrations" }

// known maps GORM's errors to the domain's.
func known(action string, err error) error {
	switch {
	case err == nil:
		return nil
	case errors.Is(err, gorm.ErrRecordNotFound):
		return domain.ErrNotFound
	case errors.Is(err, gorm.ErrDuplicatedKey):
		return domain.ErrTaken
	}
	return fmt.Errorf("%s: %w", action, err)
}

// AddTeacher makes an account.
func (s *Store) AddTeacher(ctx context.Context, name, hash string) (*domain.Teacher, error) {
	row := teacherRow{Name: name, PasswordHash: hash, CreatedAt: time.Now().UTC()}
	if err := known("adding a teacher", s.db.WithContext(ctx).Create(&row).Error); err != nil {
		return nil, err
	}
	return &domain.Teacher{ID: row.ID, Name: row.Name, PasswordHash: row.PasswordHash}, nil
}

func (s *Store) teacher(ctx context.Context, where string, value any) (*domain.Teacher, error) {
	var row teacherRow
	if err := known("reading a teacher", s.db.WithContext(ctx).Where(where, value).First(&row).Error); err != nil {
		return nil, err
	}
	return &domain.Teacher{ID: row.ID, Name: row.Name, PasswordHash: row.PasswordHash}, nil
}

// TeacherNamed finds an account by its name.
func (s *Store) TeacherNamed(ctx context.Context, name string) (*domain.Teacher, error) {
	return s.teacher(ctx, "name = ?", name)
}

// Teacher finds an account.
func (s *Store) Teacher(ctx context.Context, id uint64) (*domain.Teacher, error) {
	return s.teacher(ctx, "id = ?", id)
}

// List gives a page of the shelf.
func (s *Store) List(ctx context.Context, owner uint64, words, after string) ([]domain.Entry, error) {
	q := s.db.WithContext(ctx).Model(&demonstrationRow{}).Where("owner_id = ? AND deleted_at IS NULL", owner)
	for _, word := range strings.Fields(words) {
		q = q.Where("title LIKE ?", "%"+likeEscaper.Replace(word)+"%")
	}
	if after != "" {
		last, err := s.row(s.db.WithContext(ctx), owner, after)
		if err != nil {
			return nil, err
		}
		q = q.Where("changed_at < ? OR (changed_at = ? AND id > ?)", last.ChangedAt, last.ChangedAt, last.ID)
	}
	entries := []domain.Entry{}
	err := q.Select("id, title, revision, changed_at").Order("changed_at DESC, id").Limit(domain.PageSize).Find(&entries).Error
	return entries, known("listing demonstrations", err)
}

var likeEscaper = strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`)

func (s *Store) row(db *gorm.DB, owner uint64, id string) (*demonstrationRow, error) {
	var row demonstrationRow
	err := db.Where("id = ? AND owner_id = ? AND deleted_at IS NULL", id, owner).First(&row).Error
	return &row, known("reading a demonstration", err)
}

func (r *demonstrationRow) demonstration() (*domain.Demonstration, error) {
	d := &domain.Demonstration{ID: r.ID, OwnerID: r.OwnerID, Title: r.Title, Revision: r.Revision, Save: r.SaveID,
		ChangedAt: r.ChangedAt, DeletedAt: r.DeletedAt, Document: &document.Document{}}
	if err := json.Unmarshal([]byte(r.Document), d.Document); err != nil {
		return nil, fmt.Errorf("reading demonstration %s: %w", r.ID, err)
	}
	return d, nil
}

// Demonstration reads one.
func (s *Store) Demonstration(ctx context.Context, owner uint64, id string) (*domain.Demonstration, error) {
	row, err := s.row(s.db.WithContext(ctx), owner, id)
	if err != nil {
		return nil, err
	}
	return row.demonstration()
}

// Add stores a new one at revision 1.
func (s *Store) Add(ctx context.Context, d *domain.Demonstration) error {
	d.Revision, d.ChangedAt = 1, time.Now().UTC()
	row := demonstrationRow{ID: d.ID, OwnerID: d.OwnerID, Title: d.Title, Revision: 1, Document: compact(d.Document),
		SaveID: d.Save, ChangedAt: d.ChangedAt}
	return known("adding a demonstration", s.db.WithContext(ctx).Create(&row).Error)
}

func compact(doc *document.Document) string {
	data, err := json.Marshal(doc)
	if err != nil {
		panic("store: " + err.Error())
	}
	return string(data)
}

// Revision is the stored one.
func (s *Store) Revision(ctx context.Context, owner uint64, id string) (revision uint64, save string, err error) {
	var row demonstrationRow
	err = s.db.WithContext(ctx).Select("revision, save_id").Where("id = ? AND owner_id = ? AND deleted_at IS NULL", id, owner).First(&row).Error
	return row.Revision, row.SaveID, known("reading a revision", err)
}

// Save is optimistic: it changes the row only at the revision it was read at.
func (s *Store) Save(ctx context.Context, owner uint64, id string, save domain.Save) (*domain.Demonstration, error) {
	now, text := time.Now().UTC(), compact(save.Document)
	done := s.db.WithContext(ctx).Model(&demonstrationRow{}).
		Where("id = ? AND owner_id = ? AND revision = ? AND deleted_at IS NULL", id, owner, save.Revision).
		Updates(map[string]any{"title": save.Document.Title, "document": text, "save_id": save.ID, "revision": save.Revision + 1,
			"changed_at": now})
	if done.Error != nil {
		return nil, known("saving a demonstration", done.Error)
	}
	if done.RowsAffected == 0 {
		row, err := s.row(s.db.WithContext(ctx), owner, id)
		if err != nil {
			return nil, err
		}
		current, err := row.demonstration()
		if err != nil {
			return nil, err
		}
		if row.Document == text || save.ID != "" && row.SaveID == save.ID {
			return current, nil
		}
		return nil, &domain.Conflict{Current: current}
	}
	return &domain.Demonstration{ID: id, OwnerID: owner, Title: save.Document.Title, Revision: save.Revision + 1,
		Document: save.Document, Save: save.ID, ChangedAt: now}, nil
}

type pictureRow struct {
	Revision        uint64
	PictureRevision uint64
	Picture         []byte
}

// TableName is GORM's.
func (pictureRow) TableName() string { return "demonstrations" }

// Picture reads a shelf picture without its document.
func (s *Store) Picture(ctx context.Context, owner uint64, id string) (*domain.Picture, error) {
	var row pictureRow
	err := s.db.WithContext(ctx).Where("id = ? AND owner_id = ? AND deleted_at IS NULL", id, owner).First(&row).Error
	if err != nil {
		return nil, known("reading a picture", err)
	}
	return &domain.Picture{Revision: row.Revision, Drawn: row.PictureRevision, Data: row.Picture}, nil
}

// PutPicture stores a picture of a revision; an older one than is there changes nothing.
func (s *Store) PutPicture(ctx context.Context, id string, drawn uint64, data []byte) error {
	err := s.db.WithContext(ctx).Model(&pictureRow{}).Where("id = ? AND picture_revision < ?", id, drawn).
		Updates(map[string]any{"picture": data, "picture_revision": drawn}).Error
	return known("storing a picture", err)
}

func (s *Store) mark(where *gorm.DB, owner uint64, id string, deleted *time.Time) error {
	done := where.Model(&demonstrationRow{}).Where("id = ? AND owner_id = ?", id, owner).Update("deleted_at", deleted)
	if done.Error == nil && done.RowsAffected == 0 {
		return domain.ErrNotFound
	}
	return known("deleting or restoring a demonstration", done.Error)
}

// Delete takes one off the shelf.
func (s *Store) Delete(ctx context.Context, owner uint64, id string) error {
	now := time.Now().UTC()
	return s.mark(s.db.WithContext(ctx).Where("deleted_at IS NULL"), owner, id, &now)
}

// Restore brings one back.
func (s *Store) Restore(ctx context.Context, owner uint64, id string) error {
	oldest := time.Now().UTC().Add(-domain.KeptDeleted)
	return s.mark(s.db.WithContext(ctx).Where("deleted_at > ?", oldest), owner, id, nil)
}
