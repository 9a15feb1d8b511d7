CREATE TABLE `drill_cases` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`set_id` text,
	`in_use` integer DEFAULT true NOT NULL,
	`position` integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `drills` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`case_id` text NOT NULL,
	`series` text NOT NULL,
	`label` text NOT NULL,
	`diameter_mm` real NOT NULL,
	`point_angle_deg` real NOT NULL,
	`material` text NOT NULL,
	`condition` text NOT NULL,
	FOREIGN KEY (`case_id`) REFERENCES `drill_cases`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `drills_by_case` ON `drills` (`case_id`,`diameter_mm`);--> statement-breakpoint
CREATE TABLE `job_holes` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`question` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `job_holes_by_job` ON `job_holes` (`job_id`,`position`);--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`material_id` text NOT NULL,
	`quantity` integer NOT NULL,
	`notes` text DEFAULT '' NOT NULL,
	`created_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	`updated_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	`deleted_at` text
);
--> statement-breakpoint
CREATE INDEX `jobs_by_update` ON `jobs` (`deleted_at`,`updated_at`);--> statement-breakpoint
CREATE TABLE `machines` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`speeds` text NOT NULL,
	`reversible` integer NOT NULL,
	`tapping_head` integer NOT NULL,
	`coast_revolutions` real NOT NULL,
	`coast_at_rpm` real NOT NULL,
	`chuck_mm` real NOT NULL,
	`quill_stroke_mm` real,
	`power_w` real,
	`in_use` integer DEFAULT true NOT NULL,
	`position` integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `materials` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`material` text NOT NULL,
	`position` integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shop` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`name` text NOT NULL,
	`units` text NOT NULL,
	`step_rule` text NOT NULL,
	`tap_names` text NOT NULL,
	`formed_looser` integer NOT NULL
);
