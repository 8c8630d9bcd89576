ALTER TABLE `jobs` DROP COLUMN `at`;--> statement-breakpoint
ALTER TABLE `jobs` DROP COLUMN `last_edit`;--> statement-breakpoint
ALTER TABLE `revisions` DROP COLUMN `before`;--> statement-breakpoint
ALTER TABLE `revisions` DROP COLUMN `after`;--> statement-breakpoint
ALTER TABLE `runs` DROP COLUMN `job`;--> statement-breakpoint
ALTER TABLE `runs` DROP COLUMN `printed`;