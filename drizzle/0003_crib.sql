CREATE TABLE `tools` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`diameter_mm` real,
	`small_mm` real,
	`step_mm` real,
	`angle_deg` real,
	`fit` text,
	`reach_mm` real,
	`condition` text DEFAULT 'sharp' NOT NULL,
	`place` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE INDEX `tools_by_kind` ON `tools` (`kind`,`diameter_mm`);--> statement-breakpoint
ALTER TABLE `drills` ADD `flute_mm` real;--> statement-breakpoint
ALTER TABLE `drills` ADD `place` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `job_holes` ADD `edits` text;--> statement-breakpoint
ALTER TABLE `machines` ADD `depth_stop` text;--> statement-breakpoint
ALTER TABLE `machines` ADD `pulleys` text;--> statement-breakpoint
ALTER TABLE `machines` ADD `chart` text;--> statement-breakpoint
ALTER TABLE `shop` ADD `habits` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE `shop` SET `habits` = json_object('stepRule', `step_rule`, 'tapNames', `tap_names`, 'formed', CASE WHEN `formed_looser` THEN 'looser' ELSE 'same' END);
