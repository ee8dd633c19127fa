-- A sign-in is one name, letter by letter: the usual collation takes é for e.
ALTER TABLE person MODIFY email VARCHAR(190) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL;
UPDATE person SET email = LOWER(TRIM(email));

-- What was made under a key that its maker chose: asked for again, it is made once. `asked` tells whether the same was asked for.
CREATE TABLE made_once (
  house_id BINARY(16) NOT NULL,
  made_key BINARY(32) NOT NULL,
  asked BINARY(32) NOT NULL,
  entity_id BINARY(16) NOT NULL,
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (house_id, made_key),
  CONSTRAINT made_once_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;

-- A row stands here while a made-up house is being written: a start that finds one knows that it was cut short.
CREATE TABLE being_loaded (
  begun_at DATETIME(3) NOT NULL
) ENGINE=InnoDB;
