-- From where on a house objects to what is found about a plan; what has no row is judged by the usual threshold.
CREATE TABLE threshold (
  house_id BINARY(16) NOT NULL,
  finding VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  value DOUBLE NOT NULL,
  PRIMARY KEY (house_id, finding),
  CONSTRAINT threshold_house FOREIGN KEY (house_id) REFERENCES house (id)
) ENGINE=InnoDB;
