ALTER TABLE `tools` ADD `instrument` text;--> statement-breakpoint
ALTER TABLE `tools` ADD `standard_mm` real;--> statement-breakpoint
ALTER TABLE `tools` ADD `readings` text;