CREATE TABLE `log_entry` (
	`id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`team` uuid,
	`person` uuid,
	`what` varchar(24) NOT NULL,
	`collection` uuid,
	`about` varchar(300) NOT NULL DEFAULT '',
	CONSTRAINT `log_entry_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `team` ADD `keep_bin` int DEFAULT 30 NOT NULL;--> statement-breakpoint
ALTER TABLE `team` ADD `keep_log` int DEFAULT 400 NOT NULL;--> statement-breakpoint
ALTER TABLE `team` ADD `keep_suggestions` int;--> statement-breakpoint
ALTER TABLE `team` ADD `keep_handouts` int;--> statement-breakpoint
CREATE INDEX `log_entry_team` ON `log_entry` (`team`,`at`,`id`);--> statement-breakpoint
CREATE INDEX `log_entry_person` ON `log_entry` (`person`,`at`);