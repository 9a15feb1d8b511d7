CREATE TABLE `taps` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`thread` text NOT NULL,
	`hand` text DEFAULT 'right' NOT NULL,
	`geometry` text NOT NULL,
	`set_place` text DEFAULT 'complete' NOT NULL,
	`chamfer_threads` real NOT NULL,
	`flutes` integer NOT NULL,
	`steel` text DEFAULT 'hss' NOT NULL,
	`ground` integer DEFAULT true NOT NULL,
	`makes_class` text,
	`surface` text DEFAULT 'bright' NOT NULL,
	`overall_mm` real NOT NULL,
	`thread_mm` real NOT NULL,
	`neck_mm` real DEFAULT 0 NOT NULL,
	`shank_mm` real NOT NULL,
	`square_mm` real NOT NULL,
	`centre` text DEFAULT 'male' NOT NULL,
	`condition` text DEFAULT 'sharp' NOT NULL,
	`holes_done` integer DEFAULT 0 NOT NULL,
	`place` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE INDEX `taps_by_thread` ON `taps` (`thread`);--> statement-breakpoint
ALTER TABLE `tools` ADD `thread` text;--> statement-breakpoint
ALTER TABLE `tools` ADD `from_nm` real;--> statement-breakpoint
ALTER TABLE `tools` ADD `to_nm` real;--> statement-breakpoint
CREATE TRIGGER `taps_insert_revises` AFTER INSERT ON `taps` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `taps_update_revises` AFTER UPDATE ON `taps` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
--> statement-breakpoint
CREATE TRIGGER `taps_delete_revises` AFTER DELETE ON `taps` BEGIN UPDATE `crib_revision` SET `revision` = `revision` + 1; END;
