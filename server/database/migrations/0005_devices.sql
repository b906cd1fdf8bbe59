CREATE TABLE `devices` (
	`id` varchar(80) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`name` varchar(40) NOT NULL,
	`paired_at` datetime(3) NOT NULL,
	`paired_by` varchar(80) NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `devices_id` PRIMARY KEY(`id`),
	CONSTRAINT `devices_token_hash_unique` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `pairings` (
	`code_hash` char(64) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`made_by` varchar(80) NOT NULL,
	`tries` int NOT NULL DEFAULT 0,
	CONSTRAINT `pairings_code_hash` PRIMARY KEY(`code_hash`)
);
--> statement-breakpoint
ALTER TABLE `people` ADD `rev` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `left_shop` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `paired_device` varchar(80);--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_paired_device_devices_id_fk` FOREIGN KEY (`paired_device`) REFERENCES `devices`(`id`) ON DELETE no action ON UPDATE no action;