-- Which stages there are is the program's to know. The newest version of each stage of a visit is a row of its own, so that a
-- list never looks through every version.
ALTER TABLE stage_document MODIFY stage VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL;

CREATE TABLE stage_head (
  visit_id BINARY(16) NOT NULL,
  stage VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  version INT UNSIGNED NOT NULL,
  PRIMARY KEY (visit_id, stage),
  CONSTRAINT stage_head_document FOREIGN KEY (visit_id, stage, version) REFERENCES stage_document (visit_id, stage, version)
) ENGINE=InnoDB;

INSERT INTO stage_head (visit_id, stage, version)
  SELECT visit_id, stage, MAX(version) FROM stage_document GROUP BY visit_id, stage;
