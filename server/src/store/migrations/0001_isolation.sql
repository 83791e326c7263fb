-- Fleet isolation: every row belongs to the fleet named by the setting za.fleet, for the server's role and for the owner alike.
DO $$
DECLARE each text;
BEGIN
  FOR each IN SELECT tablename FROM pg_tables WHERE schemaname = 'public' LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', each);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', each);
    EXECUTE format(
      'CREATE POLICY own_fleet ON %I USING (fleet_id = nullif(current_setting(''za.fleet'', true), '''')::uuid)',
      each);
  END LOOP;
END $$;
--> statement-breakpoint
-- At sign-in only the fleet's short name is known: it may be looked up by exactly that name.
CREATE POLICY by_slug ON fleet FOR SELECT USING (slug = nullif(current_setting('za.slug', true), ''));
--> statement-breakpoint
GRANT USAGE ON SCHEMA public TO axle_server;
--> statement-breakpoint
GRANT SELECT ON ALL TABLES IN SCHEMA public TO axle_server;
--> statement-breakpoint
-- Facts: inserted, never changed.
GRANT INSERT ON reading, skip, judgement, torque_check, certificate, hold, release, hold_released, acknowledgement,
  event, command, defect, job, inspection, current_reading, session TO axle_server;
--> statement-breakpoint
-- Rows kept in step with the facts.
GRANT UPDATE ON current_reading, inspection, defect, job, session TO axle_server;
--> statement-breakpoint
GRANT DELETE ON session TO axle_server;
--> statement-breakpoint
GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO axle_server;
