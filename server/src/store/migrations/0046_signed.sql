-- Keys by which people sign on their devices: drawn there, and never seen here but for what anybody may know of them.
CREATE TABLE person_key (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	person_id uuid NOT NULL,
	x text NOT NULL,
	y text NOT NULL,
	enrolled_at timestamp with time zone NOT NULL,
	revoked_at timestamp with time zone,
	CONSTRAINT person_key_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT person_key_once UNIQUE (fleet_id, person_id, x, y),
	CONSTRAINT person_key_of FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
-- What was signed by such a key: the text word by word, and what its signer held papers for at that time.
CREATE TABLE signature (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	act uuid NOT NULL,
	key_id uuid NOT NULL,
	person_id uuid NOT NULL,
	role text NOT NULL,
	papers text NOT NULL,
	text text NOT NULL,
	value text NOT NULL,
	x text NOT NULL,
	y text NOT NULL,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT signature_pk PRIMARY KEY (fleet_id, act),
	CONSTRAINT signature_by FOREIGN KEY (fleet_id, person_id) REFERENCES person (fleet_id, id),
	CONSTRAINT signature_key FOREIGN KEY (fleet_id, key_id) REFERENCES person_key (fleet_id, id)
);--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
	FOREACH each IN ARRAY ARRAY['person_key', 'signature'] LOOP
		EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
		EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
		EXECUTE format('CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)', each);
		EXECUTE format('GRANT SELECT, INSERT ON %I TO axle_server', each);
	END LOOP;
END $$;--> statement-breakpoint
GRANT UPDATE (revoked_at) ON person_key TO axle_server;--> statement-breakpoint
CREATE OR REPLACE FUNCTION za_facts() RETURNS TABLE (tab text, key text) LANGUAGE sql IMMUTABLE AS $$
	VALUES ('acknowledgement', 'defect_id'), ('certificate', 'job_id'), ('clean_report', 'id'), ('fitted_part', 'id'), ('hold', 'id'),
		('hold_released', 'hold_id'), ('job_document', 'id'), ('judgement', 'id'), ('meter', 'id'), ('part_use', 'id'), ('photo', 'id'),
		('practice_result', 'id'), ('reading', 'id'), ('record_gone', 'id'), ('release', 'id'), ('report_note', 'id'),
		('road_answer', 'id'), ('signature', 'act'), ('skip', 'id'), ('step_list', 'hash'), ('torque_check', 'id'), ('unit_change', 'id')
$$;--> statement-breakpoint
CREATE TRIGGER note_rows AFTER INSERT ON signature REFERENCING NEW TABLE AS new_rows
	FOR EACH STATEMENT EXECUTE FUNCTION za_note_rows('act');
