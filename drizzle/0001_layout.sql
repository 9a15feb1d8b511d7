CREATE TABLE `punch_marks` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`hole_id` text NOT NULL,
	`number` integer NOT NULL,
	`dx_mm` real NOT NULL,
	`dy_mm` real NOT NULL,
	`zone_mm` real NOT NULL,
	`corrects` text,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `punch_marks_by_job` ON `punch_marks` (`job_id`,`at`);--> statement-breakpoint
ALTER TABLE `job_holes` ADD `face` text DEFAULT 'top' NOT NULL;--> statement-breakpoint
ALTER TABLE `job_holes` ADD `place` text;--> statement-breakpoint
ALTER TABLE `job_holes` ADD `exit` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `part` text;--> statement-breakpoint
ALTER TABLE `machines` ADD `dial_travel_mm` real;--> statement-breakpoint
ALTER TABLE `machines` ADD `dial_divisions` integer;