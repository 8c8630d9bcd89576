CREATE TABLE `event_entries` (
	`event_id` text NOT NULL,
	`number` integer NOT NULL,
	`at` integer NOT NULL,
	`entry` text NOT NULL,
	PRIMARY KEY(`event_id`, `number`),
	FOREIGN KEY (`event_id`) REFERENCES `events`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `event_files` (
	`event_id` text NOT NULL,
	`file` text NOT NULL,
	`state` text NOT NULL,
	PRIMARY KEY(`event_id`, `file`),
	FOREIGN KEY (`event_id`) REFERENCES `events`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `event_patterns` (
	`event_id` text NOT NULL,
	`id` text NOT NULL,
	`job` text NOT NULL,
	PRIMARY KEY(`event_id`, `id`),
	FOREIGN KEY (`event_id`) REFERENCES `events`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `events` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`guests` text NOT NULL,
	`pin` text,
	`created_at` integer NOT NULL,
	`ended_at` integer
);
--> statement-breakpoint
CREATE UNIQUE INDEX `events_guests_unique` ON `events` (`guests`);