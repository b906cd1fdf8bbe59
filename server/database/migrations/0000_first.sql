CREATE TABLE `customers` (
	`id` varchar(80) NOT NULL,
	`name` varchar(120) NOT NULL,
	`note` varchar(300),
	CONSTRAINT `customers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `documents` (
	`kind` varchar(16) NOT NULL,
	`slug` varchar(80) NOT NULL,
	`version` int NOT NULL,
	`hash` char(64) NOT NULL,
	`body` longtext NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `documents_kind_slug_version_pk` PRIMARY KEY(`kind`,`slug`,`version`)
);
--> statement-breakpoint
CREATE TABLE `events` (
	`job` varchar(80) NOT NULL,
	`seq` int NOT NULL,
	`id` char(36) NOT NULL,
	`type` varchar(40) NOT NULL,
	`v` int NOT NULL,
	`at` varchar(40) NOT NULL,
	`person` varchar(80) NOT NULL,
	`device` varchar(80) NOT NULL,
	`payload` longtext NOT NULL,
	`body_hash` char(64) NOT NULL,
	`stored_at` datetime(3) NOT NULL,
	CONSTRAINT `events_job_seq_pk` PRIMARY KEY(`job`,`seq`),
	CONSTRAINT `events_id` UNIQUE(`id`)
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` varchar(80) NOT NULL,
	`vehicle` varchar(80) NOT NULL,
	`seq` int NOT NULL,
	`summary` longtext NOT NULL,
	`fold_version` int NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`promised_at` datetime(3),
	`bay` varchar(40),
	CONSTRAINT `jobs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` varchar(80) NOT NULL,
	`bench_name` varchar(40) NOT NULL,
	`role` varchar(20) NOT NULL,
	CONSTRAINT `people_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` char(64) NOT NULL,
	`person` varchar(80) NOT NULL,
	`device` varchar(80) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `sessions_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `sheets` (
	`job` varchar(80) NOT NULL,
	`seq` int NOT NULL,
	`hash` char(64) NOT NULL,
	`pdf` mediumblob NOT NULL,
	`made_at` datetime(3) NOT NULL,
	CONSTRAINT `sheets_job_seq_pk` PRIMARY KEY(`job`,`seq`)
);
--> statement-breakpoint
CREATE TABLE `vehicles` (
	`id` varchar(80) NOT NULL,
	`customer` varchar(80) NOT NULL,
	`profile` varchar(80) NOT NULL,
	`plate` varchar(16) NOT NULL,
	`year` int,
	`colour` varchar(40),
	CONSTRAINT `vehicles_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `events` ADD CONSTRAINT `events_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_vehicle_vehicles_id_fk` FOREIGN KEY (`vehicle`) REFERENCES `vehicles`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_person_people_id_fk` FOREIGN KEY (`person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sheets` ADD CONSTRAINT `sheets_job_jobs_id_fk` FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `vehicles` ADD CONSTRAINT `vehicles_customer_customers_id_fk` FOREIGN KEY (`customer`) REFERENCES `customers`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `jobs_vehicle` ON `jobs` (`vehicle`);