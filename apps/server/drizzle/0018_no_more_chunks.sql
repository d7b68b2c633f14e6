DROP TABLE "live_chunk" CASCADE;--> statement-breakpoint
DROP TABLE "run_samples" CASCADE;