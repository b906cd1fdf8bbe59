CREATE TABLE `photo_places` (
	`job` varchar(80) NOT NULL,
	`event` char(36) NOT NULL,
	`profile` varchar(80) NOT NULL,
	`place` varchar(240) NOT NULL,
	`at` varchar(40) NOT NULL,
	`thumb` char(64) NOT NULL,
	`photo` longtext NOT NULL,
	CONSTRAINT `photo_places_job_event_pk` PRIMARY KEY(`job`,`event`)
);
--> statement-breakpoint
CREATE TABLE `photos` (
	`hash` char(64) NOT NULL,
	`job` varchar(80) NOT NULL,
	`bytes` int NOT NULL,
	`body` mediumblob NOT NULL,
	`kept_at` datetime(3) NOT NULL,
	CONSTRAINT `photos_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
ALTER TABLE `photo_places` ADD CONSTRAINT `photo_places_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photos` ADD CONSTRAINT `photos_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `photo_places_profile` ON `photo_places` (`profile`,`place`,`at`);--> statement-breakpoint
CREATE INDEX `photos_job` ON `photos` (`job`);