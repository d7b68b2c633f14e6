ALTER TABLE "true_up" ADD COLUMN "corrections" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "true_up" ADD COLUMN "single_blade" jsonb;