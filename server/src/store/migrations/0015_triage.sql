ALTER TABLE defect DROP CONSTRAINT defect_state_known;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_state_known CHECK (state = ANY ('{reported,measuring,deferred,triaged,planned,done,certified,acknowledged,joined,no-fault,dismissed}'::text[]));--> statement-breakpoint
ALTER TABLE defect ADD COLUMN joined_to uuid;--> statement-breakpoint
ALTER TABLE defect ADD COLUMN come_back_of uuid;--> statement-breakpoint
ALTER TABLE defect ADD COLUMN until date;--> statement-breakpoint
ALTER TABLE defect ADD COLUMN reason text;--> statement-breakpoint
ALTER TABLE defect ADD COLUMN answered_at timestamp with time zone;--> statement-breakpoint
ALTER TABLE defect ADD COLUMN measured_at timestamp with time zone;--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_joined CHECK ((state = 'joined') = (joined_to IS NOT NULL));--> statement-breakpoint
ALTER TABLE defect ADD CONSTRAINT defect_deferred CHECK ((state = 'deferred') <= (until IS NOT NULL));--> statement-breakpoint
ALTER TABLE defect ADD FOREIGN KEY (fleet_id, joined_to) REFERENCES defect (fleet_id, id);--> statement-breakpoint
ALTER TABLE defect ADD FOREIGN KEY (fleet_id, come_back_of) REFERENCES defect (fleet_id, id);--> statement-breakpoint
CREATE INDEX defect_waiting ON defect (fleet_id, unit_id, holds, reported_at) WHERE state IN ('reported', 'deferred');--> statement-breakpoint
GRANT UPDATE (joined_to, come_back_of, until, reason, answered_at, measured_at) ON defect TO axle_server;
