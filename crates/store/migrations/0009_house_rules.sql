-- Rules of the planner that a house has switched off; what has no row holds.
CREATE TABLE rule_off (
  house_id BINARY(16) NOT NULL,
  number INT UNSIGNED NOT NULL,
  PRIMARY KEY (house_id, number),
  CONSTRAINT rule_off_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;

-- The side a house takes in a dispute; without a row it takes none.
CREATE TABLE rule_side (
  house_id BINARY(16) NOT NULL,
  topic VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  takes VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  PRIMARY KEY (house_id, topic),
  CONSTRAINT rule_side_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;
