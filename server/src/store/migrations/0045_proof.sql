-- Who came in, who was refused, and who changed what others may do: written, never changed.
CREATE TABLE security_entry (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id bigint GENERATED ALWAYS AS IDENTITY,
	at timestamp with time zone NOT NULL DEFAULT now(),
	kind text NOT NULL,
	person_id uuid,
	what text,
	address text,
	CONSTRAINT security_entry_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT security_entry_by FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX security_entry_kind ON security_entry (fleet_id, kind, id DESC);--> statement-breakpoint
CREATE INDEX security_entry_person ON security_entry (fleet_id, person_id, id DESC);--> statement-breakpoint
-- The records held against what was written of them.
CREATE TABLE record_check (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	asked_by uuid NOT NULL,
	asked_at timestamp with time zone NOT NULL,
	ended_at timestamp with time zone,
	entries bigint NOT NULL DEFAULT 0,
	rows bigint NOT NULL DEFAULT 0,
	problems jsonb NOT NULL DEFAULT '[]',
	shape smallint NOT NULL DEFAULT 1,
	CONSTRAINT record_check_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT record_check_by FOREIGN KEY (fleet_id, asked_by) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX record_check_newest ON record_check (fleet_id, asked_at DESC);--> statement-breakpoint
-- Systems of the fleet's own that hear of every event.
CREATE TABLE hook (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	url text NOT NULL,
	secret text NOT NULL,
	-- The secret before this one signs too, until then.
	secret_before text,
	turns_over_at timestamp with time zone,
	taken bigint NOT NULL,
	tries integer NOT NULL DEFAULT 0,
	problem text,
	set_by uuid NOT NULL,
	set_at timestamp with time zone NOT NULL,
	ended_at timestamp with time zone,
	version integer NOT NULL DEFAULT 1,
	CONSTRAINT hook_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT hook_by FOREIGN KEY (fleet_id, set_by) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
-- Nothing of a unit, or of any, is deleted while one stands.
CREATE TABLE legal_hold (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	unit_id uuid,
	reason text NOT NULL,
	placed_by uuid NOT NULL,
	placed_at timestamp with time zone NOT NULL,
	lifted_by uuid,
	lifted_at timestamp with time zone,
	CONSTRAINT legal_hold_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT legal_hold_of FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id),
	CONSTRAINT legal_hold_by FOREIGN KEY (fleet_id, placed_by) REFERENCES person (fleet_id, id),
	CONSTRAINT legal_hold_lifted FOREIGN KEY (fleet_id, lifted_by) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
	FOREACH each IN ARRAY ARRAY['security_entry', 'record_check', 'hook', 'legal_hold'] LOOP
		EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
		EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
		EXECUTE format('CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)', each);
		EXECUTE format('GRANT SELECT, INSERT ON %I TO axle_server', each);
	END LOOP;
END $$;--> statement-breakpoint
GRANT UPDATE (ended_at, entries, rows, problems) ON record_check TO axle_server;--> statement-breakpoint
GRANT DELETE ON record_check TO axle_server;--> statement-breakpoint
GRANT UPDATE (url, secret, secret_before, turns_over_at, taken, tries, problem, set_by, set_at, ended_at, version) ON hook TO axle_server;--> statement-breakpoint
GRANT UPDATE (lifted_by, lifted_at) ON legal_hold TO axle_server;--> statement-breakpoint
ALTER TABLE fleet ADD COLUMN keeping jsonb;--> statement-breakpoint
GRANT UPDATE (keeping) ON fleet TO axle_server;--> statement-breakpoint
GRANT UPDATE (sign_in) ON person TO axle_server;--> statement-breakpoint
-- What of a kind is past its time and nothing rests on: rows of which nothing that stands, is open or is held back is made.
CREATE FUNCTION za_past(kind text, before timestamp with time zone) RETURNS TABLE (id uuid)
LANGUAGE plpgsql STABLE SET search_path = public, pg_temp AS $$
DECLARE own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
BEGIN
	IF EXISTS (SELECT 1 FROM legal_hold h WHERE h.fleet_id = own AND h.unit_id IS NULL AND h.lifted_at IS NULL) THEN RETURN; END IF;
	IF kind = 'reports' THEN RETURN QUERY
		SELECT r.id FROM clean_report r WHERE r.fleet_id = own AND r.recorded_at < before
			AND NOT EXISTS (SELECT 1 FROM legal_hold h WHERE h.fleet_id = own AND h.unit_id = r.unit_id AND h.lifted_at IS NULL);
	ELSIF kind = 'photos' THEN RETURN QUERY
		SELECT p.id FROM photo p WHERE p.fleet_id = own AND p.taken_at < before
			AND NOT EXISTS (SELECT 1 FROM defect d WHERE d.fleet_id = own AND d.id = p.defect_id
				AND d.state NOT IN ('certified', 'acknowledged', 'joined', 'no-fault', 'dismissed', 'put-right', 'withdrawn'))
			AND NOT EXISTS (SELECT 1 FROM legal_hold h WHERE h.fleet_id = own AND h.unit_id = p.unit_id AND h.lifted_at IS NULL);
	ELSIF kind = 'inspections' THEN RETURN QUERY
		SELECT i.id FROM inspection i WHERE i.fleet_id = own AND i.closed_at < before
			AND NOT EXISTS (SELECT 1 FROM current_reading c WHERE c.fleet_id = own AND c.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM defect d WHERE d.fleet_id = own AND d.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM hold h WHERE h.fleet_id = own AND h.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM hold_released x JOIN reading r ON r.fleet_id = own AND r.id = x.reading_id
				WHERE x.fleet_id = own AND r.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM photo p WHERE p.fleet_id = own AND p.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM reading r JOIN reading s ON s.fleet_id = own AND s.supersedes = r.id
				WHERE r.fleet_id = own AND r.inspection_id = i.id AND s.inspection_id <> i.id)
			AND EXISTS (SELECT 1 FROM inspection l WHERE l.fleet_id = own AND l.unit_id = i.unit_id AND l.closed_at > i.closed_at)
			AND NOT EXISTS (SELECT 1 FROM legal_hold h WHERE h.fleet_id = own AND h.unit_id = i.unit_id AND h.lifted_at IS NULL);
	END IF;
END $$;--> statement-breakpoint
-- Deletes what is past its time, and notes each row as gone. Gives how many of the kind.
CREATE FUNCTION za_delete_past(kind text, before timestamp with time zone) RETURNS bigint
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
	own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
	ids uuid[];
	n bigint;
BEGIN
	IF kind = 'security' THEN
		DELETE FROM security_entry e WHERE e.fleet_id = own AND e.at < before;
		GET DIAGNOSTICS n = ROW_COUNT;
		RETURN n;
	END IF;
	ids := ARRAY(SELECT p.id FROM za_past(kind, before) p);
	IF kind = 'reports' THEN
		INSERT INTO record_gone (fleet_id, tab, row_key, why) SELECT own, 'clean_report', id::text, 'delete-past' FROM unnest(ids) id;
		DELETE FROM clean_report r WHERE r.fleet_id = own AND r.id = ANY (ids);
	ELSIF kind = 'photos' THEN
		INSERT INTO record_gone (fleet_id, tab, row_key, why) SELECT own, 'photo', id::text, 'delete-past' FROM unnest(ids) id;
		DELETE FROM photo p WHERE p.fleet_id = own AND p.id = ANY (ids);
	ELSIF kind = 'inspections' THEN
		INSERT INTO record_gone (fleet_id, tab, row_key, why)
			SELECT own, 'reading', r.id::text, 'delete-past' FROM reading r WHERE r.fleet_id = own AND r.inspection_id = ANY (ids)
			UNION ALL SELECT own, 'judgement', j.id::text, 'delete-past' FROM judgement j WHERE j.fleet_id = own AND j.inspection_id = ANY (ids)
			UNION ALL SELECT own, 'skip', s.id::text, 'delete-past' FROM skip s WHERE s.fleet_id = own AND s.inspection_id = ANY (ids);
		DELETE FROM judgement j WHERE j.fleet_id = own AND j.inspection_id = ANY (ids);
		DELETE FROM skip s WHERE s.fleet_id = own AND s.inspection_id = ANY (ids);
		DELETE FROM reading r WHERE r.fleet_id = own AND r.inspection_id = ANY (ids);
		DELETE FROM inspection i WHERE i.fleet_id = own AND i.id = ANY (ids);
	END IF;
	RETURN cardinality(ids);
END $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION za_delete_past(text, timestamp with time zone) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION za_delete_past(text, timestamp with time zone) TO axle_server;
