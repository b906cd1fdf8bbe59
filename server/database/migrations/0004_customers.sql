ALTER TABLE `customers` ADD `rev` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `customers` ADD `merged_into` varchar(80);--> statement-breakpoint
ALTER TABLE `vehicles` ADD `plate_key` varchar(320) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `vehicles` ADD `number` varchar(40);--> statement-breakpoint
ALTER TABLE `vehicles` ADD `rev` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `vehicles` ADD `merged_into` varchar(80);--> statement-breakpoint
CREATE INDEX `vehicles_plate` ON `vehicles` (`plate_key`);--> statement-breakpoint
CREATE INDEX `vehicles_number` ON `vehicles` (`number`);--> statement-breakpoint
UPDATE `vehicles` SET `plate_key` = upper(replace(replace(replace(replace(`plate`, ' ', ''), '-', ''), '.', ''), '·', '')) WHERE `plate_key` = '';
