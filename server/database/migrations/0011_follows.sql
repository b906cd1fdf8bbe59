ALTER TABLE `jobs` ADD `follows` varchar(80);--> statement-breakpoint
CREATE INDEX `jobs_follows` ON `jobs` (`follows`);