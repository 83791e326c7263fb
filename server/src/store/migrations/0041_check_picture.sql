-- What good looks like, as a picture, of a check of the fleet's own.
CREATE TABLE check_picture (
	fleet_id uuid NOT NULL REFERENCES fleet (fleet_id),
	id uuid NOT NULL,
	width integer NOT NULL,
	height integer NOT NULL,
	jpeg bytea NOT NULL,
	added_by uuid NOT NULL,
	added_at timestamp with time zone NOT NULL,
	CONSTRAINT check_picture_pk PRIMARY KEY (fleet_id, id),
	CONSTRAINT check_picture_by FOREIGN KEY (fleet_id, added_by) REFERENCES person (fleet_id, id)
);--> statement-breakpoint
ALTER TABLE check_picture ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE check_picture FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_fleet ON check_picture USING (fleet_id = nullif(current_setting('za.fleet', true), '')::uuid);--> statement-breakpoint
GRANT SELECT, INSERT ON check_picture TO axle_server;
