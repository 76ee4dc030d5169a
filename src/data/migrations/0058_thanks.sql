CREATE TABLE `thanks` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`words` varchar(500) NOT NULL,
	`name` varchar(80) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`away_at` datetime(3),
	CONSTRAINT `thanks_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `thanks` ADD CONSTRAINT `thanks_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `thanks` ADD CONSTRAINT `thanks_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `thanks_of` ON `thanks` (`collection`,`away_at`,`created_at`);--> statement-breakpoint
CREATE INDEX `thanks_team` ON `thanks` (`team`);