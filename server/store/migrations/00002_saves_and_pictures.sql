-- +goose Up
-- The id of the save that made a revision tells a repeated save from a conflict. A picture is drawn after the save, so
-- that it has a revision of its own; it is compressed (gzip), and empty until the first one is drawn.
ALTER TABLE demonstrations
  ADD COLUMN save_id VARCHAR(64) CHARACTER SET ascii NOT NULL DEFAULT '',
  ADD COLUMN picture_revision BIGINT UNSIGNED NOT NULL DEFAULT 0,
  DROP COLUMN picture,
  ADD COLUMN picture MEDIUMBLOB NULL;

-- +goose Down
ALTER TABLE demonstrations
  DROP COLUMN save_id,
  DROP COLUMN picture_revision,
  DROP COLUMN picture,
  ADD COLUMN picture MEDIUMTEXT NOT NULL DEFAULT '';
