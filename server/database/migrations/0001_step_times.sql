CREATE TABLE `job_kits` (
	`job` varchar(80) NOT NULL,
	`kit` varchar(80) NOT NULL,
	CONSTRAINT `job_kits_job_kit_pk` PRIMARY KEY(`job`,`kit`)
);
--> statement-breakpoint
CREATE TABLE `step_times` (
	`job` varchar(80) NOT NULL,
	`event` char(36) NOT NULL,
	`profile` varchar(80) NOT NULL,
	`step` varchar(300) NOT NULL,
	`minutes` double NOT NULL,
	CONSTRAINT `step_times_job_event_pk` PRIMARY KEY(`job`,`event`)
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `signed` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `job_kits` ADD CONSTRAINT `job_kits_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `step_times` ADD CONSTRAINT `step_times_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `job_kits_kit` ON `job_kits` (`kit`);--> statement-breakpoint
CREATE INDEX `step_times_profile` ON `step_times` (`profile`);--> statement-breakpoint
INSERT IGNORE INTO `job_kits` (`job`, `kit`) SELECT `events`.`job`, `kits`.`slug` FROM `events`, JSON_TABLE(`events`.`payload`, '$.kits[*]' COLUMNS (`slug` varchar(80) PATH '$.slug')) AS `kits` WHERE `events`.`type` = 'job.opened';--> statement-breakpoint
UPDATE `jobs` SET `signed` = true WHERE JSON_VALUE(`summary`, '$.signed') = '1';
