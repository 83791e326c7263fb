-- Counting and pricing are acts of their own, each against what whoever did it saw.
ALTER TABLE part ADD COLUMN version integer NOT NULL DEFAULT 1;--> statement-breakpoint
ALTER TABLE part ADD COLUMN stock_version integer NOT NULL DEFAULT 1;--> statement-breakpoint
-- Where a part came from that was not taken out of the parts room.
ALTER TABLE part_use ADD COLUMN elsewhere text;
--> statement-breakpoint
-- What was brought along need not be known in the parts room.
ALTER TABLE part_use DROP CONSTRAINT part_use_fleet_id_part_id_fkey;--> statement-breakpoint
ALTER TABLE part_use ADD CONSTRAINT part_use_from CHECK (elsewhere IS NULL OR length(elsewhere) > 0);--> statement-breakpoint
-- When work on a job began: whoever started it said so, with a clock running or not.
ALTER TABLE job ADD COLUMN started_at timestamp with time zone;--> statement-breakpoint
ALTER TABLE job NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE event NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE job_time NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE job j SET started_at = coalesce(
  (SELECT min(e.at) FROM event e WHERE e.fleet_id = j.fleet_id AND e.type = 'start-job' AND e.body ->> 'job' = j.id::text),
  (SELECT min(t.started_at) FROM job_time t WHERE t.fleet_id = j.fleet_id AND t.job_id = j.id),
  now())
WHERE j.state = 'started';--> statement-breakpoint
ALTER TABLE job_time FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE event FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE job FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
GRANT UPDATE (version, stock_version) ON part TO axle_server;
