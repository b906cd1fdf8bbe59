CREATE TABLE `practices` (
	`id` varchar(80) NOT NULL,
	`person` varchar(80) NOT NULL,
	`at` datetime(3) NOT NULL,
	`done` longtext NOT NULL,
	`score` longtext NOT NULL,
	CONSTRAINT `practices_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `practices` ADD CONSTRAINT `practices_person_people_id_fk` FOREIGN KEY (`person`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `practices_person` ON `practices` (`person`,`at`);