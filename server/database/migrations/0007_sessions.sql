ALTER TABLE `sessions` ADD `public_id` char(36);--> statement-breakpoint
ALTER TABLE `sessions` ADD `ended_at` datetime(3);--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_public_id_unique` UNIQUE(`public_id`);