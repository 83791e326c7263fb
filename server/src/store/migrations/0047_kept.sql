-- An act's few rows are looked up by a plan that is soon made: translating it into machine code took longer than running it.
ALTER FUNCTION za_facts_of(uuid, uuid) SET jit = off;--> statement-breakpoint
-- Which rows of a fact no longer are as they were written. What a row says is worked out in the question itself: a function called for
-- each of millions of rows costs more than what it does.
CREATE OR REPLACE FUNCTION za_wrong_rows(fleet uuid, fact text, most integer) RETURNS TABLE (row_key text, wrong text)
LANGUAGE plpgsql STABLE SET timezone = 'UTC' SET search_path = public, pg_temp AS $$
DECLARE
	key text;
	now_is text := CASE WHEN fact = 'photo' THEN 'za_hash(za_row_text(%1$L, to_jsonb(t)))'
		ELSE 'sha256(convert_to(%1$L || '' '' || jsonb_strip_nulls(to_jsonb(t))::text, ''UTF8''))' END;
BEGIN
	SELECT f.key INTO STRICT key FROM za_facts() f WHERE f.tab = fact;
	RETURN QUERY EXECUTE format($q$
		SELECT t.%2$I::text, CASE WHEN k.row_key IS NULL THEN 'inserted' ELSE 'changed' END
		FROM %1$I t LEFT JOIN record_row k ON k.fleet_id = $1 AND k.tab = %1$L AND k.row_key = t.%2$I::text
		WHERE t.fleet_id = $1 AND (k.row_key IS NULL OR k.hash <> $q$ || now_is || $q$)
		UNION ALL
		SELECT k.row_key, 'removed' FROM record_row k
		WHERE k.fleet_id = $1 AND k.tab = %1$L
			AND NOT EXISTS (SELECT 1 FROM %1$I t WHERE t.fleet_id = $1 AND t.%2$I::text = k.row_key)
			AND NOT EXISTS (SELECT 1 FROM record_gone g WHERE g.fleet_id = $1 AND g.tab = %1$L AND g.row_key = k.row_key)
		ORDER BY 1 LIMIT $2$q$, fact, key) USING fleet, most;
END $$;--> statement-breakpoint
-- Between which moments a standing reading was taken, where that is not known.
ALTER TABLE current_reading ADD COLUMN taken_from timestamp with time zone, ADD COLUMN taken_until timestamp with time zone;--> statement-breakpoint
-- Finished faster than anybody can: kept, and counts for nothing.
ALTER TABLE practice_result ADD COLUMN too_fast boolean;--> statement-breakpoint
DROP FUNCTION za_delete_past(text, timestamp with time zone);--> statement-breakpoint
DROP FUNCTION za_past(text, timestamp with time zone);--> statement-breakpoint
-- A report or repair that nothing is made of any more: over, and nothing that stays is joined to it, came back of it or shows it.
CREATE FUNCTION za_over(d defect) RETURNS boolean LANGUAGE sql STABLE SET search_path = public, pg_temp AS $$
	SELECT d.state IN ('certified', 'acknowledged', 'joined', 'no-fault', 'dismissed', 'put-right', 'withdrawn')
		AND NOT EXISTS (SELECT 1 FROM photo p WHERE p.fleet_id = d.fleet_id AND p.defect_id = d.id)
		AND NOT EXISTS (SELECT 1 FROM defect e WHERE e.fleet_id = d.fleet_id AND (e.joined_to = d.id OR e.come_back_of = d.id)
			AND (e.job_id IS NULL OR e.job_id IS DISTINCT FROM d.job_id))
		AND NOT EXISTS (SELECT 1 FROM road_call c WHERE c.fleet_id = d.fleet_id AND c.defect_id = d.id AND (c.job_id IS NULL OR c.job_id IS DISTINCT FROM d.job_id))
$$;--> statement-breakpoint
-- What of a kind is past its time and nothing rests on: rows of which nothing that stands, is open or is held back is made.
-- Of a unit that left, its repairs are kept until it left before `left_before`.
CREATE FUNCTION za_past(kind text, before timestamp with time zone, left_before timestamp with time zone) RETURNS TABLE (id uuid)
LANGUAGE plpgsql STABLE SET search_path = public, pg_temp AS $$
DECLARE
	own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
	held uuid[];
BEGIN
	IF EXISTS (SELECT 1 FROM legal_hold h WHERE h.fleet_id = own AND h.unit_id IS NULL AND h.lifted_at IS NULL) THEN RETURN; END IF;
	held := ARRAY(SELECT h.unit_id FROM legal_hold h WHERE h.fleet_id = own AND h.lifted_at IS NULL);
	IF kind = 'reports' THEN RETURN QUERY
		SELECT r.id FROM clean_report r WHERE r.fleet_id = own AND r.recorded_at < before AND r.unit_id <> ALL (held)
		UNION ALL
		SELECT d.id FROM defect d WHERE d.fleet_id = own AND d.job_id IS NULL AND d.origin = 'driver' AND d.joined_to IS NULL
			AND coalesce(d.answered_at, d.reported_at) < before AND d.unit_id <> ALL (held) AND za_over(d);
	ELSIF kind = 'repairs' THEN RETURN QUERY
		SELECT j.id FROM job j JOIN unit u ON u.fleet_id = own AND u.id = j.unit_id
		WHERE j.fleet_id = own AND j.unit_id <> ALL (held)
			AND (j.state = 'certified' AND j.done_recorded_at < before)
			AND EXISTS (SELECT 1 FROM certificate c WHERE c.fleet_id = own AND c.job_id = j.id AND c.recorded_at < before)
			AND (u.state = 'in-use' OR u.state_at < left_before)
			AND NOT EXISTS (SELECT 1 FROM defect d WHERE d.fleet_id = own AND d.job_id = j.id AND NOT za_over(d))
			AND NOT EXISTS (SELECT 1 FROM inspection i WHERE i.fleet_id = own AND i.job_id = j.id)
			AND NOT EXISTS (SELECT 1 FROM retorque r WHERE r.fleet_id = own AND r.job_id = j.id AND r.done_at IS NULL AND NOT r.lapsed)
			AND NOT EXISTS (SELECT 1 FROM part_order o WHERE o.fleet_id = own AND o.job_id = j.id AND o.received_at IS NULL)
			AND NOT EXISTS (SELECT 1 FROM fitted_part f WHERE f.fleet_id = own AND f.job_id = j.id AND NOT EXISTS (
				SELECT 1 FROM fitted_part g WHERE g.fleet_id = own AND g.unit_id = f.unit_id AND g.part = f.part AND g.axle = f.axle
					AND g.side = f.side AND g.tyre IS NOT DISTINCT FROM f.tyre AND g.fitted_at > f.fitted_at));
	ELSIF kind = 'photos' THEN RETURN QUERY
		SELECT p.id FROM photo p WHERE p.fleet_id = own AND p.taken_at < before AND p.unit_id <> ALL (held)
			AND NOT EXISTS (SELECT 1 FROM defect d WHERE d.fleet_id = own AND d.id = p.defect_id
				AND d.state NOT IN ('certified', 'acknowledged', 'joined', 'no-fault', 'dismissed', 'put-right', 'withdrawn'));
	ELSIF kind = 'inspections' THEN RETURN QUERY
		SELECT i.id FROM inspection i WHERE i.fleet_id = own AND i.closed_at < before AND i.unit_id <> ALL (held)
			AND NOT EXISTS (SELECT 1 FROM current_reading c WHERE c.fleet_id = own AND c.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM defect d WHERE d.fleet_id = own AND d.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM hold h WHERE h.fleet_id = own AND h.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM hold_released x JOIN reading r ON r.fleet_id = own AND r.id = x.reading_id
				WHERE x.fleet_id = own AND r.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM photo p WHERE p.fleet_id = own AND p.inspection_id = i.id)
			AND NOT EXISTS (SELECT 1 FROM reading r JOIN reading s ON s.fleet_id = own AND s.supersedes = r.id
				WHERE r.fleet_id = own AND r.inspection_id = i.id AND s.inspection_id <> i.id)
			AND EXISTS (SELECT 1 FROM inspection l WHERE l.fleet_id = own AND l.unit_id = i.unit_id AND l.closed_at > i.closed_at);
	END IF;
END $$;--> statement-breakpoint
-- Takes rows of a fact away by right, and notes each as gone.
CREATE FUNCTION za_take_away(fact text, key text, col text, ids uuid[]) RETURNS void
LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
DECLARE own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
BEGIN
	EXECUTE format('INSERT INTO record_gone (fleet_id, tab, row_key, why) SELECT fleet_id, %L, %I::text, ''delete-past'' FROM %I WHERE fleet_id = $1 AND %I = ANY ($2)',
		fact, key, fact, col) USING own, ids;
	EXECUTE format('DELETE FROM %I WHERE fleet_id = $1 AND %I = ANY ($2)', fact, col) USING own, ids;
END $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION za_take_away(text, text, text, uuid[]) FROM PUBLIC;--> statement-breakpoint
-- Deletes of what was shown what is past its time, and notes each row of a fact as gone. Gives how many of the kind.
CREATE FUNCTION za_delete_past(kind text, before timestamp with time zone, left_before timestamp with time zone, shown uuid[]) RETURNS bigint
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
	own uuid := nullif(current_setting('za.fleet', true), '')::uuid;
	ids uuid[];
	reports uuid[];
	calls uuid[];
	n bigint;
BEGIN
	IF kind = 'security' THEN
		DELETE FROM security_entry e WHERE e.fleet_id = own AND e.at < before;
		GET DIAGNOSTICS n = ROW_COUNT;
		RETURN n;
	END IF;
	ids := ARRAY(SELECT p.id FROM za_past(kind, before, left_before) p WHERE p.id = ANY (shown));
	IF kind = 'photos' THEN PERFORM za_take_away('photo', 'id', 'id', ids);
	ELSIF kind = 'inspections' THEN
		PERFORM za_take_away('judgement', 'id', 'inspection_id', ids);
		PERFORM za_take_away('skip', 'id', 'inspection_id', ids);
		PERFORM za_take_away('reading', 'id', 'inspection_id', ids);
		DELETE FROM inspection i WHERE i.fleet_id = own AND i.id = ANY (ids);
	ELSE
		IF kind = 'reports' THEN
			reports := ids;
			PERFORM za_take_away('clean_report', 'id', 'id', ids);
		ELSE
			reports := ARRAY(SELECT d.id FROM defect d WHERE d.fleet_id = own AND d.job_id = ANY (ids));
			calls := ARRAY(SELECT c.id FROM road_call c WHERE c.fleet_id = own AND (c.job_id = ANY (ids) OR c.defect_id = ANY (reports)));
			PERFORM za_take_away('road_answer', 'id', 'call_id', calls);
			DELETE FROM road_call c WHERE c.fleet_id = own AND c.id = ANY (calls);
			PERFORM za_take_away('certificate', 'job_id', 'job_id', ids);
			PERFORM za_take_away('torque_check', 'id', 'job_id', ids);
			PERFORM za_take_away('part_use', 'id', 'job_id', ids);
			PERFORM za_take_away('job_document', 'id', 'job_id', ids);
			PERFORM za_take_away('fitted_part', 'id', 'job_id', ids);
			DELETE FROM job_tick t WHERE t.fleet_id = own AND t.job_id = ANY (ids);
			DELETE FROM job_time t WHERE t.fleet_id = own AND t.job_id = ANY (ids);
			DELETE FROM part_order o WHERE o.fleet_id = own AND o.job_id = ANY (ids);
			DELETE FROM retorque r WHERE r.fleet_id = own AND r.job_id = ANY (ids);
			DELETE FROM plan_slot s WHERE s.fleet_id = own AND s.job_id = ANY (ids);
		END IF;
		PERFORM za_take_away('acknowledgement', 'defect_id', 'defect_id', reports);
		PERFORM za_take_away('report_note', 'id', 'defect_id', reports);
		UPDATE defect d SET joined_to = NULL, come_back_of = NULL WHERE d.fleet_id = own AND d.id = ANY (reports);
		DELETE FROM defect d WHERE d.fleet_id = own AND d.id = ANY (reports);
		IF kind = 'repairs' THEN DELETE FROM job j WHERE j.fleet_id = own AND j.id = ANY (ids); END IF;
	END IF;
	RETURN cardinality(ids);
END $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION za_delete_past(text, timestamp with time zone, timestamp with time zone, uuid[]) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION za_delete_past(text, timestamp with time zone, timestamp with time zone, uuid[]) TO axle_server;
