ALTER TABLE `assignments` ADD `job_id` text REFERENCES jobs(id) ON DELETE set null;--> statement-breakpoint
ALTER TABLE `practised` ADD `job_id` text;