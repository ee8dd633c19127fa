-- What was changed, in the order in which it was committed: what other screens hear of, and what makes a repeated edit land once.
CREATE TABLE edit (
  house_id BINARY(16) NOT NULL,
  number BIGINT UNSIGNED NOT NULL,
  edit_key BINARY(16) NOT NULL,
  visit_id BINARY(16) NOT NULL,
  stage VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  version INT UNSIGNED NOT NULL,
  -- Operations on paths; none where a document was saved whole.
  operations JSON NULL,
  person_id BINARY(16) NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (house_id, number),
  UNIQUE KEY edit_key (house_id, edit_key),
  CONSTRAINT edit_house FOREIGN KEY (house_id) REFERENCES house (id),
  CONSTRAINT edit_document FOREIGN KEY (visit_id, stage, version) REFERENCES stage_document (visit_id, stage, version),
  CONSTRAINT edit_person FOREIGN KEY (person_id) REFERENCES person (id)
) ENGINE=InnoDB;

CREATE TRIGGER edit_is_append_only BEFORE UPDATE ON edit FOR EACH ROW
  SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'edits are append-only';

-- The last number of a house. Whoever adds an edit holds this row until the end, so that numbers are in the order of commits.
CREATE TABLE edit_number (
  house_id BINARY(16) NOT NULL PRIMARY KEY,
  last BIGINT UNSIGNED NOT NULL,
  CONSTRAINT edit_number_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;
