CREATE TABLE `blocked_team` (
	`team` uuid NOT NULL,
	`other` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `blocked_team_team_other_pk` PRIMARY KEY(`team`,`other`)
);
--> statement-breakpoint
ALTER TABLE `suggestion` ADD `betters` uuid;--> statement-breakpoint
ALTER TABLE `suggestion` ADD `given_by` uuid;--> statement-breakpoint
ALTER TABLE `suggestion` ADD `given_from` uuid;--> statement-breakpoint
ALTER TABLE `blocked_team` ADD CONSTRAINT `blocked_team_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `suggestion_given` ON `suggestion` (`given_from`);