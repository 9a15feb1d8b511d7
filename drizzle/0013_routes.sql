CREATE TABLE `routes` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`number` integer NOT NULL,
	`job_version` integer NOT NULL,
	`core_version` text NOT NULL,
	`route` text NOT NULL,
	`inputs` text NOT NULL,
	`issued_at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL,
	`who` text,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `routes_by_number` ON `routes` (`job_id`,`number`);--> statement-breakpoint
ALTER TABLE `jobs` ADD `route` text;--> statement-breakpoint
ALTER TABLE `machines` ADD `times` text;