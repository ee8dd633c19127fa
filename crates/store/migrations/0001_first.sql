-- Houses, the people who work in them, their clients, and the visits with everything that is read, wished and decided.
-- Every row of a house carries the house. Stage documents and the audit are append-only: a correction is a new row.

CREATE TABLE house (
  id BINARY(16) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  created_at DATETIME(3) NOT NULL
) ENGINE=InnoDB;

CREATE TABLE person (
  id BINARY(16) NOT NULL PRIMARY KEY,
  house_id BINARY(16) NOT NULL,
  name VARCHAR(120) NOT NULL,
  email VARCHAR(190) NOT NULL,
  role ENUM('owner', 'stylist', 'trainee', 'desk') NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  length_unit ENUM('cm', 'inch') NOT NULL DEFAULT 'cm',
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY person_email (email),
  CONSTRAINT person_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;

-- Only the hash of a session's token is kept, so that a copy of the table opens nothing.
CREATE TABLE session (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  person_id BINARY(16) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  KEY session_person (person_id),
  CONSTRAINT session_person FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB;

CREATE TABLE client (
  id BINARY(16) NOT NULL PRIMARY KEY,
  house_id BINARY(16) NOT NULL,
  name VARCHAR(120) NOT NULL,
  contact VARCHAR(190) NOT NULL,
  note VARCHAR(500) NOT NULL,
  consent_at DATETIME(3) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  version INT UNSIGNED NOT NULL,
  KEY client_name (house_id, name),
  CONSTRAINT client_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;

CREATE TABLE visit (
  id BINARY(16) NOT NULL PRIMARY KEY,
  house_id BINARY(16) NOT NULL,
  client_id BINARY(16) NOT NULL,
  on_date DATE NOT NULL,
  created_by BINARY(16) NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY visit_client (client_id, on_date),
  CONSTRAINT visit_house FOREIGN KEY (house_id) REFERENCES house (id),
  CONSTRAINT visit_client FOREIGN KEY (client_id) REFERENCES client (id),
  CONSTRAINT visit_person FOREIGN KEY (created_by) REFERENCES person (id)
) ENGINE=InnoDB;

-- One row each time a stage is saved. The unique key is the optimistic lock: two writers from the same version can't both land.
CREATE TABLE stage_document (
  visit_id BINARY(16) NOT NULL,
  stage ENUM('talk', 'read', 'aim') NOT NULL,
  version INT UNSIGNED NOT NULL,
  house_id BINARY(16) NOT NULL,
  schema_version SMALLINT UNSIGNED NOT NULL,
  body JSON NOT NULL,
  saved_by BINARY(16) NOT NULL,
  saved_at DATETIME(3) NOT NULL,
  PRIMARY KEY (visit_id, stage, version),
  CONSTRAINT stage_visit FOREIGN KEY (visit_id) REFERENCES visit (id),
  CONSTRAINT stage_house FOREIGN KEY (house_id) REFERENCES house (id),
  CONSTRAINT stage_person FOREIGN KEY (saved_by) REFERENCES person (id)
) ENGINE=InnoDB;

CREATE TABLE audit (
  id BINARY(16) NOT NULL PRIMARY KEY,
  house_id BINARY(16) NOT NULL,
  person_id BINARY(16) NULL,
  at DATETIME(3) NOT NULL,
  action VARCHAR(40) NOT NULL,
  entity VARCHAR(40) NOT NULL,
  entity_id BINARY(16) NULL,
  version INT UNSIGNED NULL,
  KEY audit_house (house_id, id),
  CONSTRAINT audit_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;

CREATE TRIGGER stage_document_is_append_only BEFORE UPDATE ON stage_document FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'stage documents are append-only';
CREATE TRIGGER audit_is_append_only BEFORE UPDATE ON audit FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the audit is append-only';
CREATE TRIGGER audit_is_kept BEFORE DELETE ON audit FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the audit is append-only';
