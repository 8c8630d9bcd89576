CREATE TABLE `heads` (
	`photo` text PRIMARY KEY NOT NULL,
	`heads` text NOT NULL,
	`by` text NOT NULL,
	`study` text
);
