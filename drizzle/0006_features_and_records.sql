CREATE TABLE `crib_revision` (
	`id` integer PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `job_changes` (
	`job_id` text NOT NULL,
	`id` text NOT NULL,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	PRIMARY KEY(`job_id`, `id`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `job_features` (
	`job_id` text NOT NULL,
	`id` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`field_versions` text DEFAULT '{}' NOT NULL,
	`letter` text NOT NULL,
	`position` real NOT NULL,
	`name` text NOT NULL,
	`question` text NOT NULL,
	`face` text DEFAULT 'top' NOT NULL,
	`place` text,
	`exit` text,
	`edits` text,
	`deleted_at` text,
	PRIMARY KEY(`job_id`, `id`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `job_features_by_letter` ON `job_features` (`job_id`,`letter`);--> statement-breakpoint
CREATE INDEX `job_features_by_position` ON `job_features` (`job_id`,`position`);--> statement-breakpoint
CREATE TABLE `job_summaries` (
	`job_id` text PRIMARY KEY NOT NULL,
	`job_version` integer NOT NULL,
	`crib_revision` integer NOT NULL,
	`core_version` text NOT NULL,
	`summary` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `records` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`job_id` text,
	`route_id` text,
	`feature_id` text,
	`hole_number` integer,
	`body` text NOT NULL,
	`corrects` text,
	`happened_at` text NOT NULL,
	`arrived_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	`who` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `records_by_job` ON `records` (`job_id`,`kind`,`happened_at`);--> statement-breakpoint
ALTER TABLE `jobs` ADD `head_version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `field_versions` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `search_text` text DEFAULT '' NOT NULL;
--> statement-breakpoint
INSERT INTO `job_features` (`job_id`, `id`, `letter`, `position`, `name`, `question`, `face`, `place`, `exit`, `edits`)
SELECT `job_id`, `id`,
	CASE
		WHEN n < 26 THEN char(65 + n)
		WHEN n < 702 THEN char(64 + n / 26) || char(65 + n % 26)
		ELSE char(64 + (n / 26 - 1) / 26) || char(65 + (n / 26 - 1) % 26) || char(65 + n % 26)
	END,
	n, `name`, `question`, `face`, `place`, `exit`, `edits`
FROM (SELECT *, row_number() OVER (PARTITION BY `job_id` ORDER BY `position`, `id`) - 1 AS n FROM `job_holes`);
--> statement-breakpoint
UPDATE `jobs` SET `search_text` = lower(`name` || ' ' || `notes` || ' ' || coalesce(
	(SELECT group_concat(json_extract(`question`, '$.callout') || ' ' || `job_features`.`name`, ' ') FROM `job_features` WHERE `job_id` = `jobs`.`id`), ''));
--> statement-breakpoint
INSERT INTO `records` (`id`, `kind`, `job_id`, `feature_id`, `hole_number`, `body`, `corrects`, `happened_at`, `arrived_at`)
SELECT `id`, 'punch-mark', `job_id`, `hole_id`, `number`,
	CASE WHEN `means` IS NULL
		THEN json_object('dxMm', `dx_mm`, 'dyMm', `dy_mm`, 'zoneMm', `zone_mm`)
		ELSE json_object('dxMm', `dx_mm`, 'dyMm', `dy_mm`, 'zoneMm', `zone_mm`, 'means', `means`) END,
	`corrects`, `at`, `at`
FROM `punch_marks`;
--> statement-breakpoint
INSERT INTO `records` (`id`, `kind`, `job_id`, `body`, `happened_at`, `arrived_at`)
SELECT 'tick-' || lower(hex(randomblob(12))), 'layout-tick', `job_id`, json_object('line', `line`, 'ticked', json('true')), `at`, `at`
FROM `layout_ticks`;
--> statement-breakpoint
INSERT INTO `crib_revision` (`id`, `revision`) VALUES (1, 1);
--> statement-breakpoint
CREATE TRIGGER `machines_insert_revises` AFTER INSERT ON `machines` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `machines_update_revises` AFTER UPDATE ON `machines` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `machines_delete_revises` AFTER DELETE ON `machines` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drill_cases_insert_revises` AFTER INSERT ON `drill_cases` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drill_cases_update_revises` AFTER UPDATE ON `drill_cases` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drill_cases_delete_revises` AFTER DELETE ON `drill_cases` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drills_insert_revises` AFTER INSERT ON `drills` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drills_update_revises` AFTER UPDATE ON `drills` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `drills_delete_revises` AFTER DELETE ON `drills` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `tools_insert_revises` AFTER INSERT ON `tools` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `tools_update_revises` AFTER UPDATE ON `tools` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `tools_delete_revises` AFTER DELETE ON `tools` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `materials_insert_revises` AFTER INSERT ON `materials` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `materials_update_revises` AFTER UPDATE ON `materials` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `materials_delete_revises` AFTER DELETE ON `materials` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `shop_insert_revises` AFTER INSERT ON `shop` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `shop_update_revises` AFTER UPDATE ON `shop` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `shop_delete_revises` AFTER DELETE ON `shop` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
