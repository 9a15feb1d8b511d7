CREATE TABLE `device_clocks` (
	`device` text NOT NULL,
	`since_ms` integer NOT NULL,
	`ahead_ms` integer NOT NULL,
	PRIMARY KEY(`device`, `since_ms`)
);
