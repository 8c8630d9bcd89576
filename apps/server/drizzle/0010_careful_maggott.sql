ALTER TABLE `jobs` ADD `pattern` text;--> statement-breakpoint
ALTER TABLE `patterns` ADD `targets` text DEFAULT '[]' NOT NULL;