-- What was recorded is chained: each entry of a fleet's chain covers what it recorded and the entries before it.
CREATE TABLE record_chain (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	nr bigint NOT NULL,
	-- The command, or the task, that wrote it.
	act uuid NOT NULL,
	what text NOT NULL,
	event_id bigint,
	-- The unit its event is about, and the entry of that unit before it: none of a unit's can be left out unseen.
	unit_id uuid,
	unit_before bigint,
	content bytea NOT NULL,
	facts bytea NOT NULL,
	hash bytea NOT NULL,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT record_chain_pk PRIMARY KEY (fleet_id, nr),
	CONSTRAINT record_chain_event FOREIGN KEY (fleet_id, event_id) REFERENCES event (fleet_id, id),
	CONSTRAINT record_chain_unit FOREIGN KEY (fleet_id, unit_id) REFERENCES unit (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX record_chain_act ON record_chain (fleet_id, act);--> statement-breakpoint
CREATE INDEX record_chain_of_unit ON record_chain (fleet_id, unit_id, nr DESC) WHERE unit_id IS NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX record_chain_of_event ON record_chain (fleet_id, event_id) WHERE event_id IS NOT NULL;--> statement-breakpoint
-- Each row of a fact as it was written, and by which act.
CREATE TABLE record_row (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	tab text NOT NULL,
	row_key text NOT NULL,
	act uuid,
	hash bytea NOT NULL,
	CONSTRAINT record_row_pk PRIMARY KEY (fleet_id, tab, row_key)
);--> statement-breakpoint
CREATE INDEX record_row_act ON record_row (fleet_id, act);--> statement-breakpoint
-- Rows of facts that were taken away by right: a fact of its own.
CREATE TABLE record_gone (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL DEFAULT gen_random_uuid(),
	tab text NOT NULL,
	row_key text NOT NULL,
	why text NOT NULL,
	recorded_at timestamp with time zone NOT NULL DEFAULT now(),
	CONSTRAINT record_gone_pk PRIMARY KEY (fleet_id, id)
);--> statement-breakpoint
CREATE INDEX record_gone_row ON record_gone (fleet_id, tab, row_key);--> statement-breakpoint
DO $$
DECLARE each text;
BEGIN
	FOREACH each IN ARRAY ARRAY['record_chain', 'record_row', 'record_gone'] LOOP
		EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
		EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
		EXECUTE format('CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)', each);
		EXECUTE format('GRANT SELECT, INSERT ON %I TO axle_server', each);
	END LOOP;
END $$;--> statement-breakpoint
-- A row as it is hashed: its columns by name in the order of jsonb, without those that hold nothing; a picture by its own sum.
CREATE FUNCTION za_row_text(tab text, j jsonb) RETURNS text LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
	SELECT tab || ' ' || jsonb_strip_nulls(
		CASE WHEN j ? 'jpeg' THEN (j - 'jpeg') || jsonb_build_object('jpeg', encode(sha256(decode(substr(j->>'jpeg', 3), 'hex')), 'hex')) ELSE j END)::text
$$;--> statement-breakpoint
CREATE FUNCTION za_hash(words text) RETURNS bytea LANGUAGE sql IMMUTABLE PARALLEL SAFE AS $$
	SELECT sha256(convert_to(words, 'UTF8'))
$$;--> statement-breakpoint
CREATE FUNCTION za_note_rows() RETURNS trigger LANGUAGE plpgsql SET timezone = 'UTC' SET search_path = public, pg_temp AS $$
BEGIN
	INSERT INTO record_row (fleet_id, tab, row_key, act, hash)
	SELECT (j->>'fleet_id')::uuid, TG_TABLE_NAME, j->>TG_ARGV[0], nullif(current_setting('za.act', true), '')::uuid,
		za_hash(za_row_text(TG_TABLE_NAME, j))
	FROM (SELECT to_jsonb(r) AS j FROM new_rows r) AS made;
	RETURN NULL;
END $$;--> statement-breakpoint
-- Which tables are facts, and what names a row in each.
CREATE FUNCTION za_facts() RETURNS TABLE (tab text, key text) LANGUAGE sql IMMUTABLE AS $$
	VALUES ('acknowledgement', 'defect_id'), ('certificate', 'job_id'), ('clean_report', 'id'), ('fitted_part', 'id'), ('hold', 'id'),
		('hold_released', 'hold_id'), ('job_document', 'id'), ('judgement', 'id'), ('meter', 'id'), ('part_use', 'id'), ('photo', 'id'),
		('practice_result', 'id'), ('reading', 'id'), ('record_gone', 'id'), ('release', 'id'), ('report_note', 'id'), ('skip', 'id'),
		('road_answer', 'id'), ('step_list', 'hash'), ('torque_check', 'id'), ('unit_change', 'id')
$$;--> statement-breakpoint
-- Which rows of a fact no longer are as they were written: changed, removed (and not by right), or never written by the program.
CREATE FUNCTION za_wrong_rows(fleet uuid, fact text, most integer) RETURNS TABLE (row_key text, wrong text)
LANGUAGE plpgsql STABLE SET timezone = 'UTC' SET search_path = public, pg_temp AS $$
DECLARE key text;
BEGIN
	SELECT f.key INTO STRICT key FROM za_facts() f WHERE f.tab = fact;
	-- Two questions, not one full join: PostgreSQL asks the first, which is the long one, in several processes at once.
	RETURN QUERY EXECUTE format($q$
		SELECT t.%2$I::text, CASE WHEN k.row_key IS NULL THEN 'inserted' ELSE 'changed' END
		FROM %1$I t LEFT JOIN record_row k ON k.fleet_id = $1 AND k.tab = %1$L AND k.row_key = t.%2$I::text
		WHERE t.fleet_id = $1 AND (k.row_key IS NULL OR k.hash <> za_hash(za_row_text(%1$L, to_jsonb(t))))
		UNION ALL
		SELECT k.row_key, 'removed' FROM record_row k
		WHERE k.fleet_id = $1 AND k.tab = %1$L
			AND NOT EXISTS (SELECT 1 FROM %1$I t WHERE t.fleet_id = $1 AND t.%2$I::text = k.row_key)
			AND NOT EXISTS (SELECT 1 FROM record_gone g WHERE g.fleet_id = $1 AND g.tab = %1$L AND g.row_key = k.row_key)
		ORDER BY 1 LIMIT $2$q$, fact, key) USING fleet, most;
END $$;--> statement-breakpoint
-- What an entry covers of an event: all of it. A task has none.
CREATE FUNCTION za_event_text(e event) RETURNS text LANGUAGE sql STABLE SET timezone = 'UTC' AS $$
	SELECT jsonb_strip_nulls(to_jsonb(e))::text
$$;--> statement-breakpoint
-- What an entry covers of its event, and of the unit's entry before it.
CREATE FUNCTION za_content(e event, unit_before bigint) RETURNS bytea LANGUAGE sql STABLE AS $$
	SELECT za_hash(za_event_text(e) || coalesce(E'\n' || unit_before, ''))
$$;--> statement-breakpoint
-- What an act wrote, as one sum: of its rows in the order of their tables and keys.
-- Most rows may be of one act, that which took what was there before: an act's own few are looked up all the same.
CREATE FUNCTION za_facts_of(fleet uuid, by_act uuid) RETURNS bytea LANGUAGE sql STABLE SET enable_seqscan = off AS $$
	SELECT sha256(coalesce(string_agg(k.hash, ''::bytea ORDER BY k.tab COLLATE "C", k.row_key COLLATE "C"), ''::bytea))
	FROM record_row k WHERE k.fleet_id = fleet AND k.act = by_act
$$;--> statement-breakpoint
-- Adds the entry of an act to its fleet's chain, in the transaction that did it and under the fleet's order of events. It covers the
-- entry before it and one further back – its number without its lowest bit – so that few entries show that any two belong together.
CREATE FUNCTION za_seal(fleet uuid, by_act uuid, made_by text, event bigint) RETURNS void
LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
DECLARE
	n bigint;
	before bytea;
	back bytea;
	content bytea;
	facts bytea;
	happened event;
	of_unit_before bigint;
BEGIN
	SELECT c.nr + 1, c.hash INTO n, before FROM record_chain c WHERE c.fleet_id = fleet ORDER BY c.nr DESC LIMIT 1;
	n := coalesce(n, 1);
	SELECT c.hash INTO back FROM record_chain c WHERE c.fleet_id = fleet AND c.nr = n - (n & -n);
	IF event IS NULL THEN content := za_hash(made_by);
	ELSE
		SELECT * INTO STRICT happened FROM event e WHERE e.fleet_id = fleet AND e.id = event;
		IF happened.unit_id IS NOT NULL THEN
			SELECT c.nr INTO of_unit_before FROM record_chain c WHERE c.fleet_id = fleet AND c.unit_id = happened.unit_id
				ORDER BY c.nr DESC LIMIT 1;
		END IF;
		content := za_content(happened, of_unit_before);
	END IF;
	facts := za_facts_of(fleet, by_act);
	INSERT INTO record_chain (fleet_id, nr, act, what, event_id, unit_id, unit_before, content, facts, hash)
	VALUES (fleet, n, by_act, made_by, event, happened.unit_id, of_unit_before, content, facts,
		sha256(coalesce(before, ''::bytea) || coalesce(back, ''::bytea) || content || facts));
END $$;--> statement-breakpoint
-- A task that wrote facts adds its entry too; one that wrote none has nothing to add.
CREATE FUNCTION za_seal_task(fleet uuid, by_act uuid, made_by text) RETURNS void
LANGUAGE plpgsql SET search_path = public, pg_temp SET enable_seqscan = off AS $$
BEGIN
	IF EXISTS (SELECT 1 FROM record_row k WHERE k.fleet_id = fleet AND k.act = by_act) THEN
		PERFORM pg_advisory_xact_lock(hashtextextended(fleet::text, 2));
		PERFORM za_seal(fleet, by_act, made_by, NULL);
	END IF;
END $$;--> statement-breakpoint
-- What was recorded before is taken as it stands: first the facts, as one entry, then every event in its order.
DO $$
DECLARE
	each record;
	one record;
	begun uuid;
	tabs text[] := ARRAY(SELECT tab FROM za_facts());
BEGIN
	FOR each IN SELECT tab, key FROM za_facts() LOOP
		EXECUTE format('ALTER TABLE %I NO FORCE ROW LEVEL SECURITY', each.tab);
	END LOOP;
	ALTER TABLE fleet NO FORCE ROW LEVEL SECURITY;
	ALTER TABLE event NO FORCE ROW LEVEL SECURITY;
	ALTER TABLE record_chain NO FORCE ROW LEVEL SECURITY;
	ALTER TABLE record_row NO FORCE ROW LEVEL SECURITY;
	SET LOCAL timezone = 'UTC';
	FOR one IN SELECT fleet_id FROM fleet LOOP
		begun := gen_random_uuid();
		FOR each IN SELECT tab, key FROM za_facts() LOOP
			EXECUTE format('INSERT INTO record_row (fleet_id, tab, row_key, act, hash)
				SELECT fleet_id, %1$L, %2$I::text, $1, za_hash(za_row_text(%1$L, to_jsonb(t))) FROM %1$I t WHERE fleet_id = $2', each.tab, each.key)
				USING begun, one.fleet_id;
		END LOOP;
		PERFORM za_seal(one.fleet_id, begun, 'taken as it stood', NULL);
		FOR each IN SELECT id, command_id, type FROM event WHERE fleet_id = one.fleet_id ORDER BY id LOOP
			PERFORM za_seal(one.fleet_id, each.command_id, each.type, each.id);
		END LOOP;
	END LOOP;
	FOR each IN SELECT tab, key FROM za_facts() LOOP
		EXECUTE format('CREATE TRIGGER note_rows AFTER INSERT ON %I REFERENCING NEW TABLE AS new_rows
			FOR EACH STATEMENT EXECUTE FUNCTION za_note_rows(%L)', each.tab, each.key);
	END LOOP;
END $$;--> statement-breakpoint
-- What a move brought and takes back is gone by right, and said to be.
CREATE OR REPLACE FUNCTION take_back_readings(move uuid, ids jsonb) RETURNS void
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE
	own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
	taken uuid[];
	gone text := 'undo-move-in ' || move;
BEGIN
	SELECT array_agg(i.id) INTO taken
	FROM move_in m, jsonb_array_elements_text(m.brought) AS b(id), inspection i
	WHERE m.fleet_id = own AND m.id = move AND m.list = 'readings' AND m.undone_at IS NULL
		AND i.fleet_id = own AND i.id = b.id::uuid AND i.purpose = 'import' AND ids ? b.id;
	INSERT INTO record_gone (fleet_id, tab, row_key, why)
		SELECT own, 'judgement', id::text, gone FROM judgement WHERE fleet_id = own AND inspection_id = ANY (taken)
		UNION ALL SELECT own, 'hold', id::text, gone FROM hold WHERE fleet_id = own AND inspection_id = ANY (taken)
		UNION ALL SELECT own, 'reading', id::text, gone FROM reading WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM current_reading WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM judgement WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM hold WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM defect WHERE fleet_id = own AND inspection_id = ANY (taken) AND version = 1;
	DELETE FROM reading WHERE fleet_id = own AND inspection_id = ANY (taken);
	DELETE FROM inspection WHERE fleet_id = own AND id = ANY (taken);
END $$;
