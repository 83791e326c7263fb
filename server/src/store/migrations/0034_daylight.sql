-- A lamp out may be run with by daylight: until which dusk.
ALTER TABLE defect ADD COLUMN dusk timestamptz;--> statement-breakpoint
GRANT UPDATE (dusk) ON defect TO axle_server;--> statement-breakpoint
ALTER TABLE defect DROP CONSTRAINT defect_deferred;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_deferred
  CHECK (state <> 'deferred' OR num_nonnulls(until, dusk) = 1);
