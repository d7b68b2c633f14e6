-- What they hold is taken over by the next start (live/oldSamples), which then drops them; empty ones go at once.
DO $$ BEGIN IF NOT EXISTS (SELECT FROM "live_chunk") THEN DROP TABLE "live_chunk"; END IF; END $$;--> statement-breakpoint
DO $$ BEGIN IF NOT EXISTS (SELECT FROM "run_samples") THEN DROP TABLE "run_samples"; END IF; END $$;
