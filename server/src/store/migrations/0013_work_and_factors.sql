ALTER TABLE person ADD COLUMN work jsonb DEFAULT '{"skills":[],"qualifications":[],"shifts":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE person ADD COLUMN pin_hash text;--> statement-breakpoint
ALTER TABLE person ADD COLUMN pin_tries smallint DEFAULT 0 NOT NULL CHECK (pin_tries >= 0);--> statement-breakpoint
ALTER TABLE person ADD COLUMN factor_secret text;--> statement-breakpoint
ALTER TABLE person ADD COLUMN factor_on boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE person ADD COLUMN factor_step bigint DEFAULT 0 NOT NULL CHECK (factor_step >= 0);--> statement-breakpoint
ALTER TABLE person ADD COLUMN factor_kept text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE person ADD CONSTRAINT person_factor CHECK (NOT factor_on OR factor_secret IS NOT NULL);--> statement-breakpoint
ALTER TABLE session ADD COLUMN seen_at timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE session ADD COLUMN full_at timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
GRANT UPDATE (work, pin_hash, pin_tries, factor_secret, factor_on, factor_step, factor_kept) ON person TO axle_server;
