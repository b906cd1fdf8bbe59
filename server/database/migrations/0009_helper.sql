CREATE TABLE `helper_links` (
	`token_hash` char(64) NOT NULL,
	`job` varchar(80) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`made_by` varchar(80) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `helper_links_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `helper_states` (
	`job` varchar(80) NOT NULL,
	`state` varchar(24),
	`said_at` datetime(3) NOT NULL,
	CONSTRAINT `helper_states_job` PRIMARY KEY(`job`)
);
--> statement-breakpoint
ALTER TABLE `helper_links` ADD CONSTRAINT `helper_links_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `helper_states` ADD CONSTRAINT `helper_states_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `helper_links_job` ON `helper_links` (`job`);