CREATE TABLE `access` (
	`id` text PRIMARY KEY NOT NULL,
	`passcode_hash` text,
	`session_key` text NOT NULL,
	`guards_crib` integer DEFAULT false NOT NULL
);
