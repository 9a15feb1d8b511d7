CREATE TABLE `assignments` (
	`id` text PRIMARY KEY NOT NULL,
	`kinds` text NOT NULL,
	`names` text NOT NULL,
	`due` text NOT NULL,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL
);
--> statement-breakpoint
CREATE TABLE `practised` (
	`id` text PRIMARY KEY NOT NULL,
	`who` text NOT NULL,
	`kind` text NOT NULL,
	`seed` integer NOT NULL,
	`right` integer NOT NULL,
	`hints` integer NOT NULL,
	`seconds` real NOT NULL,
	`mistake` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `practised_by_who` ON `practised` (`who`,`at`);