CREATE TABLE `observations` (
	`record_id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`feature_id` text NOT NULL,
	`hole_number` integer NOT NULL,
	`part` integer NOT NULL,
	`happened_at` text NOT NULL,
	`tool` text,
	`teaches` integer NOT NULL,
	`observation` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `observations_by_hole` ON `observations` (`job_id`,`feature_id`,`hole_number`,`part`);--> statement-breakpoint
CREATE INDEX `observations_by_tool` ON `observations` (`tool`,`happened_at`);--> statement-breakpoint
CREATE TABLE `set_aside` (
	`id` text PRIMARY KEY NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	`who` text,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL
);
--> statement-breakpoint
ALTER TABLE `job_progress` ADD `observed` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `records_by_feature` ON `records` (`feature_id`,`hole_number`);--> statement-breakpoint
CREATE VIRTUAL TABLE `record_words` USING fts5(`words`, content='', tokenize="unicode61 remove_diacritics 2");
--> statement-breakpoint
INSERT INTO `record_words` (rowid, `words`)
SELECT `arrival`, `kind` || ' ' || CASE `kind` WHEN 'photo' THEN '' ELSE `body` END || ' ' || coalesce(`who`, '') FROM `records`;
--> statement-breakpoint
CREATE TRIGGER `words_of_record` AFTER INSERT ON `records` BEGIN
	INSERT INTO `record_words` (rowid, `words`)
	VALUES (new.`arrival`, new.`kind` || ' ' || CASE new.`kind` WHEN 'photo' THEN '' ELSE new.`body` END || ' ' || coalesce(new.`who`, ''));
END;
