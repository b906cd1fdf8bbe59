CREATE TABLE `kit_vehicles` (
	`kit` varchar(80) NOT NULL,
	`vehicle` varchar(80) NOT NULL,
	CONSTRAINT `kit_vehicles_vehicle_kit_pk` PRIMARY KEY(`vehicle`,`kit`)
);
--> statement-breakpoint
CREATE TABLE `step_sums` (
	`profile` varchar(80) NOT NULL,
	`step` varchar(300) NOT NULL,
	`count` int NOT NULL,
	`sum_ln` double NOT NULL,
	`sum_ln_squared` double NOT NULL,
	CONSTRAINT `step_sums_profile_step_pk` PRIMARY KEY(`profile`,`step`)
);
--> statement-breakpoint
ALTER TABLE `documents` ADD `title` varchar(400) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `summary_seq` int DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `kit_vehicles_kit` ON `kit_vehicles` (`kit`);--> statement-breakpoint
CREATE INDEX `jobs_vehicle_opened` ON `jobs` (`vehicle`,`opened_at`,`id`);--> statement-breakpoint
CREATE INDEX `jobs_left` ON `jobs` (`signed`,`opened_at`,`id`);--> statement-breakpoint
CREATE INDEX `jobs_fold` ON `jobs` (`fold_version`);--> statement-breakpoint
DROP INDEX `jobs_vehicle` ON `jobs`;--> statement-breakpoint
UPDATE `documents` SET `title` = left(concat_ws(' ', json_value(`body`, '$.maker'), coalesce(json_value(`body`, '$.model'), json_value(`body`, '$.name'))), 400) WHERE `title` = '';--> statement-breakpoint
INSERT IGNORE INTO `kit_vehicles` (`kit`, `vehicle`) SELECT DISTINCT d.`slug`, f.`vehicle` FROM `documents` d JOIN JSON_TABLE(d.`body`, '$.fitments[*]' COLUMNS (`vehicle` varchar(80) PATH '$.vehicle')) f WHERE d.`kind` = 'kit' AND d.`version` = (SELECT max(n.`version`) FROM `documents` n WHERE n.`kind` = d.`kind` AND n.`slug` = d.`slug`);--> statement-breakpoint
REPLACE INTO `step_sums` (`profile`, `step`, `count`, `sum_ln`, `sum_ln_squared`) SELECT `profile`, `step`, count(*), sum(ln(`minutes`)), sum(pow(ln(`minutes`), 2)) FROM `step_times` GROUP BY `profile`, `step`;--> statement-breakpoint
UPDATE `jobs` SET `summary_seq` = `seq` WHERE `summary_seq` = 0 AND `summary` <> '{}';
