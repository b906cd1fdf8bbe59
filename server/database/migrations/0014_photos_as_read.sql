ALTER TABLE `photos` DROP COLUMN `bytes`;--> statement-breakpoint
ALTER TABLE `photos` DROP COLUMN `kept_at`;