-- Wrong PINs are counted where they are typed: nobody's PIN is closed by another device so soon.
ALTER TABLE session ADD COLUMN pin_tries integer NOT NULL DEFAULT 0;--> statement-breakpoint
GRANT UPDATE (pin_tries) ON session TO axle_server;
