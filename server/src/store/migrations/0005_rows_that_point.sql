-- Isolation and rights of the new tables.
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['step_list', 'yard_row'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT ON step_list, yard_row TO axle_server;
--> statement-breakpoint
GRANT UPDATE, DELETE ON yard_row TO axle_server;
--> statement-breakpoint
-- Wherever a row names another, that one exists, in the same fleet.
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['session', 'person_id', 'person'],
    ['paper', 'unit_id', 'unit'],
    ['hold', 'unit_id', 'unit'], ['hold', 'placed_by', 'person'],
    ['release', 'unit_id', 'unit'], ['release', 'signed_by', 'person'],
    ['hold_released', 'hold_id', 'hold'], ['hold_released', 'release_id', 'release'],
    ['fleet_limit', 'added_by', 'person'], ['fleet_limit', 'withdrawn_by', 'person'],
    ['fleet_route', 'saved_by', 'person'],
    ['job', 'unit_id', 'unit'], ['job', 'bay_id', 'bay'],
    ['torque_check', 'job_id', 'job'], ['torque_check', 'checked_by', 'person'],
    ['certificate', 'job_id', 'job'], ['certificate', 'signed_by', 'person'],
    ['inspection', 'unit_id', 'unit'], ['inspection', 'job_id', 'job'], ['inspection', 'started_by', 'person'],
    ['defect', 'unit_id', 'unit'], ['defect', 'job_id', 'job'], ['defect', 'inspection_id', 'inspection'],
    ['defect', 'reported_by', 'person'],
    ['acknowledgement', 'defect_id', 'defect'], ['acknowledgement', 'acknowledged_by', 'person'],
    ['reading', 'unit_id', 'unit'], ['reading', 'inspection_id', 'inspection'], ['reading', 'taken_by', 'person'],
    ['reading', 'supersedes', 'reading'],
    ['skip', 'inspection_id', 'inspection'], ['skip', 'skipped_by', 'person'],
    ['current_reading', 'unit_id', 'unit'], ['current_reading', 'reading_id', 'reading'],
    ['current_reading', 'inspection_id', 'inspection'],
    ['judgement', 'unit_id', 'unit'], ['judgement', 'inspection_id', 'inspection'],
    ['photo', 'unit_id', 'unit'], ['photo', 'inspection_id', 'inspection'], ['photo', 'defect_id', 'defect'],
    ['photo', 'taken_by', 'person'],
    ['command', 'person_id', 'person'],
    ['event', 'person_id', 'person'], ['event', 'unit_id', 'unit'], ['event', 'command_id', 'command']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id, %I) REFERENCES %I (fleet_id, id)', each[1], each[2], each[3]);
  END LOOP;
END $$;
--> statement-breakpoint
ALTER TABLE inspection ADD FOREIGN KEY (fleet_id, steps_hash) REFERENCES step_list (fleet_id, hash);
--> statement-breakpoint
ALTER TABLE yard_row ADD FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id);
--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['person', 'unit', 'bay', 'step_list'] LOOP
    EXECUTE format('ALTER TABLE %I ADD FOREIGN KEY (fleet_id) REFERENCES fleet (fleet_id)', each);
  END LOOP;
END $$;
--> statement-breakpoint
-- Words of which there are only some, and figures that are never negative.
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['fleet', 'book', 'na,gb'],
    ['person', 'role', 'driver,technician,foreman,manager'],
    ['unit', 'kind', 'semitrailer,full-trailer,dolly,tractor,truck,bus'],
    ['yard_row', 'kind', 'semitrailer,full-trailer,dolly,tractor,truck,bus'],
    ['yard_row', 'verdict', 'out-of-service,violation,shop-limit,within,not-judged'],
    ['defect', 'origin', 'driver,inspection'],
    ['defect', 'state', 'reported,triaged,planned,done,certified,acknowledged,dismissed'],
    ['defect', 'side', 'left,right'],
    ['defect', 'tyre', 'single,inner,outer'],
    ['job', 'state', 'open,placed,started,done,certified,cancelled'],
    ['inspection', 'purpose', 'full,re-measure,walk,import'],
    ['inspection', 'outcome', 'complete,incomplete'],
    ['inspection', 'verdict', 'out-of-service,violation,shop-limit,within,not-judged'],
    ['current_reading', 'verdict', 'out-of-service,violation,shop-limit,within,not-judged'],
    ['judgement', 'verdict', 'out-of-service,violation,shop-limit,within,not-judged'],
    ['judgement', 'book', 'na,gb']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD CONSTRAINT %I CHECK (%I = ANY (%L::text[]))',
      each[1], each[1] || '_' || each[2] || '_known', each[2], string_to_array(each[3], ','));
  END LOOP;
END $$;
--> statement-breakpoint
DO $$
DECLARE each text[];
BEGIN
  FOREACH each SLICE 1 IN ARRAY ARRAY[
    ['fleet', 'version >= 1'], ['fleet_route', 'version >= 1'], ['bay', 'rank >= 0'],
    ['defect', 'version >= 1'], ['defect', 'axle IS NULL OR axle BETWEEN 1 AND 12'],
    ['job', 'version >= 1'], ['job', 'minutes > 0'],
    ['inspection', 'closed_at IS NULL OR outcome IS NOT NULL'],
    ['photo', 'width > 0 AND height > 0'],
    ['yard_row', 'open_defects >= 0 AND to_acknowledge >= 0']
  ] LOOP
    EXECUTE format('ALTER TABLE %I ADD CHECK (%s)', each[1], each[2]);
  END LOOP;
END $$;
--> statement-breakpoint
-- The yard of fleets that are there already, from the facts.
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['unit', 'hold', 'hold_released', 'defect', 'inspection', 'paper', 'yard_row'] LOOP
    EXECUTE format('ALTER TABLE %I NO FORCE ROW LEVEL SECURITY', each);
  END LOOP;
END $$;
--> statement-breakpoint
INSERT INTO yard_row
SELECT u.fleet_id, u.id, u.number, u.body, u.kind, u.site, h.held,
  CASE WHEN h.held THEN 0 WHEN d.open > 0 THEN 1 ELSE 2 END, d.open, d.certified,
  i.closed_at, i.verdict,
  coalesce(array_position('{out-of-service,violation,shop-limit,within,not-judged}'::text[], i.verdict), 6),
  p.paper, p.due_on
FROM unit u
CROSS JOIN LATERAL (SELECT EXISTS (SELECT 1 FROM hold WHERE fleet_id = u.fleet_id AND unit_id = u.id AND NOT EXISTS
  (SELECT 1 FROM hold_released r WHERE r.fleet_id = hold.fleet_id AND r.hold_id = hold.id)) AS held) h
CROSS JOIN LATERAL (SELECT count(*) FILTER (WHERE state IN ('reported', 'triaged', 'planned', 'done')) AS open,
    count(*) FILTER (WHERE state = 'certified') AS certified
  FROM defect WHERE fleet_id = u.fleet_id AND unit_id = u.id) d
LEFT JOIN LATERAL (SELECT closed_at, verdict FROM inspection
  WHERE fleet_id = u.fleet_id AND unit_id = u.id AND closed_at IS NOT NULL ORDER BY started_at DESC, id DESC LIMIT 1) i ON true
LEFT JOIN LATERAL (SELECT paper, due_on FROM paper
  WHERE fleet_id = u.fleet_id AND unit_id = u.id ORDER BY due_on, paper LIMIT 1) p ON true;
--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
  FOREACH each IN ARRAY ARRAY['unit', 'hold', 'hold_released', 'defect', 'inspection', 'paper', 'yard_row'] LOOP
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
  END LOOP;
END $$;
