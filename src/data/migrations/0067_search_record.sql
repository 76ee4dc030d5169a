CREATE TABLE `search_record` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`round` uuid NOT NULL,
	`kind` varchar(12) NOT NULL,
	`source` varchar(200) NOT NULL,
	`searched` varchar(10) character set ascii collate ascii_bin,
	`words` text NOT NULL,
	`hits` int NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `search_record_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `search_record` ADD CONSTRAINT `search_record_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `search_record` ADD CONSTRAINT `search_record_round_round_id_fk` FOREIGN KEY (`round`) REFERENCES `round`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `search_record_round` ON `search_record` (`round`,`deleted_at`);--> statement-breakpoint
CREATE INDEX `search_record_team` ON `search_record` (`team`);