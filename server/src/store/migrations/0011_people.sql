ALTER TABLE person ADD COLUMN invite_hash text;--> statement-breakpoint
ALTER TABLE person ADD COLUMN invite_until timestamp with time zone;--> statement-breakpoint
ALTER TABLE person ADD COLUMN version integer DEFAULT 1 NOT NULL CHECK (version > 0);--> statement-breakpoint
ALTER TABLE person ADD CONSTRAINT person_invited CHECK ((invite_hash IS NULL) = (invite_until IS NULL));--> statement-breakpoint
GRANT INSERT ON person, bay TO axle_server;--> statement-breakpoint
GRANT UPDATE (name, role, active, version, password_hash, invite_hash, invite_until) ON person TO axle_server;--> statement-breakpoint
GRANT UPDATE (name) ON bay TO axle_server;
