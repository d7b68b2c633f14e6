ALTER TABLE "campaign" ADD COLUMN "protocols" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD COLUMN "protocol_version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "run" ADD CONSTRAINT "run_protocol_version_check" CHECK ("run"."protocol_version" between 1 and 1000);