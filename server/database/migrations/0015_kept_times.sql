CREATE TABLE `kept_times` (
	`job` varchar(80) NOT NULL,
	`event` char(36) NOT NULL,
	`profile` varchar(80) NOT NULL,
	`version` int NOT NULL,
	CONSTRAINT `kept_times_job_event_version_pk` PRIMARY KEY(`job`,`event`,`version`)
);
--> statement-breakpoint
ALTER TABLE `step_sums` ADD `version` int DEFAULT 0 NOT NULL AFTER `step`, DROP PRIMARY KEY, ADD PRIMARY KEY(`profile`,`step`,`version`);--> statement-breakpoint
ALTER TABLE `kept_times` ADD CONSTRAINT `kept_times_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `kept_times_profile` ON `kept_times` (`profile`,`version`);