CREATE TABLE `printers` (
	`id` text PRIMARY KEY NOT NULL,
	`printer` text NOT NULL,
	`place` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `profiles` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`of` text NOT NULL,
	`space` text NOT NULL,
	`listed` integer NOT NULL,
	`created_at` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `runs` ADD `naming` text;--> statement-breakpoint
ALTER TABLE `runs` ADD `stamp` integer;--> statement-breakpoint
ALTER TABLE `runs` ADD `sheets` integer;--> statement-breakpoint
ALTER TABLE `runs` ADD `price` real;--> statement-breakpoint
ALTER TABLE `runs` ADD `printer` text;--> statement-breakpoint
ALTER TABLE `runs` ADD `printed` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `again` text;