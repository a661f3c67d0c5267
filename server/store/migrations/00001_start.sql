-- +goose Up
CREATE TABLE teachers (
  id            BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name          VARCHAR(80) NOT NULL UNIQUE,
  password_hash VARCHAR(200) NOT NULL,
  created_at    DATETIME(3) NOT NULL
) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE demonstrations (
  id         CHAR(26) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_id   BIGINT UNSIGNED NOT NULL,
  title      VARCHAR(200) NOT NULL,
  revision   BIGINT UNSIGNED NOT NULL,
  document   MEDIUMTEXT NOT NULL,
  picture    MEDIUMTEXT NOT NULL,
  changed_at DATETIME(3) NOT NULL,
  deleted_at DATETIME(3) NULL,
  KEY shelf (owner_id, deleted_at, changed_at),
  CONSTRAINT demonstrations_owner FOREIGN KEY (owner_id) REFERENCES teachers (id)
) CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;

CREATE TABLE sessions (
  token  CHAR(43) NOT NULL PRIMARY KEY,
  data   BLOB NOT NULL,
  expiry TIMESTAMP(6) NOT NULL,
  KEY sessions_expiry (expiry)
) CHARACTER SET ascii;

-- +goose Down
DROP TABLE sessions;
DROP TABLE demonstrations;
DROP TABLE teachers;
