CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`job` text NOT NULL,
	`version` integer NOT NULL,
	`at` integer NOT NULL,
	`last_edit` text,
	`created_at` integer NOT NULL,
	`changed_at` integer NOT NULL,
	`binned_at` integer
);
--> statement-breakpoint
CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`record` text NOT NULL,
	`added_at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `revisions` (
	`job_id` text NOT NULL,
	`number` integer NOT NULL,
	`says` text NOT NULL,
	`gesture` text,
	`before` text NOT NULL,
	`after` text NOT NULL,
	PRIMARY KEY(`job_id`, `number`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `runs` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`job` text NOT NULL,
	`format` text NOT NULL,
	`quality` integer NOT NULL,
	`state` text NOT NULL,
	`why` text,
	`files` text NOT NULL,
	`created_at` integer NOT NULL,
	`done_at` integer
);
--> statement-breakpoint
CREATE INDEX `runs_by_job` ON `runs` (`job_id`);