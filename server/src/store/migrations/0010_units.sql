ALTER TABLE unit ADD COLUMN features jsonb DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE unit ADD COLUMN state text DEFAULT 'in-use' NOT NULL CHECK (state IN ('in-use', 'sold', 'scrapped'));--> statement-breakpoint
ALTER TABLE unit ADD COLUMN version integer DEFAULT 1 NOT NULL CHECK (version > 0);--> statement-breakpoint
GRANT INSERT ON unit TO axle_server;--> statement-breakpoint
GRANT UPDATE (number, body, kind, site, axles, features, state, version) ON unit TO axle_server;
