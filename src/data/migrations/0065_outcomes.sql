CREATE TABLE `outcome` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`parent` uuid,
	`code` varchar(20) NOT NULL,
	`title` varchar(500) NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `outcome_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `serves` (
	`outcome` uuid NOT NULL,
	`placement` uuid NOT NULL,
	`degree` varchar(8) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `serves_outcome_placement_pk` PRIMARY KEY(`outcome`,`placement`)
);
--> statement-breakpoint
ALTER TABLE `outcome` ADD CONSTRAINT `outcome_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `serves` ADD CONSTRAINT `serves_outcome_outcome_id_fk` FOREIGN KEY (`outcome`) REFERENCES `outcome`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `serves` ADD CONSTRAINT `serves_placement_placement_id_fk` FOREIGN KEY (`placement`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `outcome_team` ON `outcome` (`team`,`deleted_at`,`id`);--> statement-breakpoint
CREATE INDEX `serves_placement` ON `serves` (`placement`);