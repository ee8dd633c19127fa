-- What is known of head and hair (felt skull, part, swirls, usual density, thinning ends) is read, not planned. Documents of
-- shape 1 kept it in the plan: it becomes a new version of the reading, and the plan a new version with the cut alone.
-- What was saved before stays as it was.
CREATE TEMPORARY TABLE planned AS
  SELECT p.visit_id, p.house_id, p.version, p.body, p.saved_by,
         r.version AS read_version, COALESCE(r.body, '{}') AS read_body
  FROM stage_document p
  LEFT JOIN stage_document r ON r.visit_id = p.visit_id AND r.stage = 'read' AND r.version =
    (SELECT MAX(n.version) FROM stage_document n WHERE n.visit_id = p.visit_id AND n.stage = 'read')
  WHERE p.stage = 'plan' AND p.schema_version = 1 AND p.version =
    (SELECT MAX(n.version) FROM stage_document n WHERE n.visit_id = p.visit_id AND n.stage = 'plan');

INSERT INTO stage_document (visit_id, stage, version, house_id, schema_version, body, saved_by, saved_at)
  SELECT visit_id, 'read', COALESCE(read_version, 0) + 1, house_id, 2,
         JSON_MERGE_PATCH(read_body, JSON_REMOVE(body, '$.cut')), saved_by, UTC_TIMESTAMP(3)
  FROM planned;

INSERT INTO stage_document (visit_id, stage, version, house_id, schema_version, body, saved_by, saved_at)
  SELECT visit_id, 'plan', version + 1, house_id, 2,
         JSON_OBJECT('cut', JSON_EXTRACT(body, '$.cut')), saved_by, UTC_TIMESTAMP(3)
  FROM planned;

DROP TEMPORARY TABLE planned;
