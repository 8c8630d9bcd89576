CREATE TABLE `clients` (
	`job_id` text NOT NULL,
	`client` text NOT NULL,
	`last_act` text NOT NULL,
	`seen_at` integer NOT NULL,
	PRIMARY KEY(`job_id`, `client`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `graphics` (
	`id` text PRIMARY KEY NOT NULL,
	`added_at` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run_jobs` (
	`hash` text PRIMARY KEY NOT NULL,
	`job` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run_sheets` (
	`run_id` text NOT NULL,
	`number` integer NOT NULL,
	`bytes` integer NOT NULL,
	`coverage` text NOT NULL,
	`sent` text,
	`printer_job` integer,
	PRIMARY KEY(`run_id`, `number`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `kind` text DEFAULT 'copies' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `notice` text;--> statement-breakpoint
ALTER TABLE `revisions` ADD `client` text;--> statement-breakpoint
ALTER TABLE `revisions` ADD `patch` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `revisions` ADD `undone` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `number` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `job_hash` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `job_name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `made_by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `profile` text;--> statement-breakpoint
ALTER TABLE `runs` ADD `deaths` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `trusts` integer DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX `runs_by_number` ON `runs` (`number`);--> statement-breakpoint
UPDATE `jobs` SET
	`name` = coalesce(json_extract(`job`, '$.name'), ''),
	`kind` = coalesce(json_extract(`job`, '$.ticket.kind'), 'copies'),
	`count` = coalesce(json_array_length(`job`, '$.stash'), 0);--> statement-breakpoint
UPDATE `revisions` SET
	`undone` = `number` > (SELECT `at` FROM `jobs` WHERE `jobs`.`id` = `revisions`.`job_id`),
	`patch` = (
		SELECT json_group_array(json(
			CASE
				WHEN json_type(`before`, '$.' || part.`key`) IS NULL
				THEN json_object('at', json_array(part.`key`), 'to', json_extract(`after`, '$.' || part.`key`))
				WHEN json_type(`after`, '$.' || part.`key`) IS NULL
				THEN json_object('at', json_array(part.`key`), 'from', json_extract(`before`, '$.' || part.`key`))
				ELSE json_object('at', json_array(part.`key`), 'from', json_extract(`before`, '$.' || part.`key`), 'to', json_extract(`after`, '$.' || part.`key`))
			END
		))
		FROM (SELECT `key` FROM json_each(`before`) UNION SELECT `key` FROM json_each(`after`)) AS part
	);--> statement-breakpoint
INSERT INTO `run_jobs` (`hash`, `job`) SELECT `id`, `job` FROM `runs`;--> statement-breakpoint
UPDATE `runs` SET
	`number` = (SELECT count(*) FROM `runs` AS other WHERE (other.`created_at`, other.`rowid`) <= (`runs`.`created_at`, `runs`.`rowid`)),
	`job_hash` = `id`,
	`job_name` = coalesce(json_extract(`job`, '$.name'), ''),
	`made_by` = coalesce(json_extract(`job`, '$.sheet.printer.name'), ''),
	`profile` = json_extract(`job`, '$.press.colour.profile');--> statement-breakpoint
INSERT INTO `run_sheets` (`run_id`, `number`, `bytes`, `coverage`, `sent`)
	WITH RECURSIVE n(i) AS (SELECT 0 UNION ALL SELECT i + 1 FROM n WHERE i < 9999)
	SELECT `id`, i, 0, '[]', 'printed' FROM `runs` JOIN n ON i < `printed`;
