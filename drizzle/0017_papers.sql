ALTER TABLE `jobs` ADD `papers` text;--> statement-breakpoint
ALTER TABLE `tools` ADD `number` text;--> statement-breakpoint
ALTER TABLE `tools` ADD `checked_on` text;