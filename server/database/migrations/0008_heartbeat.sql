CREATE TABLE `heartbeat` (
	`id` int NOT NULL,
	CONSTRAINT `heartbeat_id` PRIMARY KEY(`id`)
);--> statement-breakpoint
INSERT INTO `heartbeat` (`id`) VALUES (1);
