ALTER TABLE event ADD COLUMN device_id uuid;--> statement-breakpoint
ALTER TABLE event ADD COLUMN device_count bigint CHECK (device_count > 0);--> statement-breakpoint
ALTER TABLE event ADD CONSTRAINT event_device_counts CHECK ((device_id IS NULL) = (device_count IS NULL));--> statement-breakpoint
CREATE INDEX event_device ON event (fleet_id, device_id, device_count) WHERE device_id IS NOT NULL;
