CREATE TABLE `wish` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`round` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`price` bigint,
	`number` int NOT NULL,
	`priority` int,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `wish_id` PRIMARY KEY(`id`),
	CONSTRAINT `wish_once` UNIQUE(`round`,`resource`)
);
--> statement-breakpoint
ALTER TABLE `round` ADD `budget` bigint;--> statement-breakpoint
ALTER TABLE `round` ADD `currency` varchar(3) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `wish` ADD CONSTRAINT `wish_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `wish` ADD CONSTRAINT `wish_round_round_id_fk` FOREIGN KEY (`round`) REFERENCES `round`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `wish` ADD CONSTRAINT `wish_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `wish_team` ON `wish` (`team`);