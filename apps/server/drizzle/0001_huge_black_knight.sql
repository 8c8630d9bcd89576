CREATE TABLE `patterns` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`folder` text NOT NULL,
	`job` text NOT NULL,
	`created_at` integer NOT NULL
);
