CREATE TABLE `data_mark` (
	`id` text PRIMARY KEY NOT NULL,
	`mark` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `ended_sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL
);
--> statement-breakpoint
CREATE TABLE `job_progress` (
	`job_id` text PRIMARY KEY NOT NULL,
	`route_id` text,
	`arrival` integer NOT NULL,
	`core_version` text NOT NULL,
	`progress` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `sign_in_attempts` (
	`address` text PRIMARY KEY NOT NULL,
	`wrong` integer NOT NULL,
	`not_before` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `access` ADD `name_key` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `work_version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
UPDATE `jobs` SET `work_version` = `version`;--> statement-breakpoint
ALTER TABLE `records` ADD `device` text;--> statement-breakpoint
ALTER TABLE `records` ADD `sequence` integer;--> statement-breakpoint
ALTER TABLE `records` ADD `arrival` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `records` SET `arrival` = rowid;--> statement-breakpoint
CREATE UNIQUE INDEX `records_by_arrival` ON `records` (`arrival`);--> statement-breakpoint
CREATE INDEX `records_by_job_arrival` ON `records` (`job_id`,`arrival`);--> statement-breakpoint
CREATE INDEX `records_by_device` ON `records` (`device`,`sequence`);--> statement-breakpoint
ALTER TABLE `shop` ADD `time_zone` text;