CREATE TABLE `bad_rows` (
	`id` integer PRIMARY KEY NOT NULL,
	`table_name` text NOT NULL,
	`row_name` text NOT NULL,
	`column_name` text NOT NULL,
	`was` text NOT NULL,
	`done` text NOT NULL,
	`at` text DEFAULT (strftime('%Y-%m-%dT%H:%M:%fZ', 'now')) NOT NULL
);
