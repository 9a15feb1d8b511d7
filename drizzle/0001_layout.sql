ALTER TABLE `job_holes` ADD `face` text DEFAULT 'top' NOT NULL;--> statement-breakpoint
ALTER TABLE `job_holes` ADD `place` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `part` text;