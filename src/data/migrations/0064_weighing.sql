CREATE TABLE `agreed` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`criteria` uuid NOT NULL,
	`number` int NOT NULL,
	`answers` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	`round` uuid NOT NULL,
	`people` json NOT NULL,
	CONSTRAINT `agreed_id` PRIMARY KEY(`id`),
	CONSTRAINT `agreed_once` UNIQUE(`round`,`resource`)
);
--> statement-breakpoint
CREATE TABLE `appraisal` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`criteria` uuid NOT NULL,
	`number` int NOT NULL,
	`answers` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	`round` uuid,
	`whole` boolean NOT NULL,
	`copy` int,
	CONSTRAINT `appraisal_id` PRIMARY KEY(`id`),
	CONSTRAINT `appraisal_once` UNIQUE(`resource`,`criteria`,`person`,`round`)
);
--> statement-breakpoint
CREATE TABLE `criteria` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`version` int NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `criteria_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `criteria_version` (
	`criteria` uuid NOT NULL,
	`number` int NOT NULL,
	`content` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `criteria_version_criteria_number_pk` PRIMARY KEY(`criteria`,`number`)
);
--> statement-breakpoint
CREATE TABLE `round` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`title` varchar(120) NOT NULL,
	`criteria` uuid NOT NULL,
	`number` int NOT NULL,
	`blind` boolean NOT NULL,
	`each` int NOT NULL,
	`state` varchar(12) NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `round_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `round_share` (
	`round` uuid NOT NULL,
	`position` int NOT NULL,
	`person` uuid NOT NULL,
	`resource` uuid NOT NULL,
	CONSTRAINT `round_share_round_position_person_pk` PRIMARY KEY(`round`,`position`,`person`)
);
--> statement-breakpoint
ALTER TABLE `agreed` ADD CONSTRAINT `agreed_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `agreed` ADD CONSTRAINT `agreed_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `agreed` ADD CONSTRAINT `agreed_criteria_criteria_id_fk` FOREIGN KEY (`criteria`) REFERENCES `criteria`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `agreed` ADD CONSTRAINT `agreed_round_round_id_fk` FOREIGN KEY (`round`) REFERENCES `round`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `appraisal` ADD CONSTRAINT `appraisal_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `appraisal` ADD CONSTRAINT `appraisal_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `appraisal` ADD CONSTRAINT `appraisal_criteria_criteria_id_fk` FOREIGN KEY (`criteria`) REFERENCES `criteria`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `appraisal` ADD CONSTRAINT `appraisal_round_round_id_fk` FOREIGN KEY (`round`) REFERENCES `round`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `criteria` ADD CONSTRAINT `criteria_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `criteria_version` ADD CONSTRAINT `criteria_version_criteria_criteria_id_fk` FOREIGN KEY (`criteria`) REFERENCES `criteria`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_criteria_criteria_id_fk` FOREIGN KEY (`criteria`) REFERENCES `criteria`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round_share` ADD CONSTRAINT `round_share_round_round_id_fk` FOREIGN KEY (`round`) REFERENCES `round`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round_share` ADD CONSTRAINT `round_share_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `agreed_team` ON `agreed` (`team`,`criteria`,`resource`);--> statement-breakpoint
CREATE INDEX `appraisal_round` ON `appraisal` (`round`,`resource`,`person`);--> statement-breakpoint
CREATE INDEX `appraisal_team` ON `appraisal` (`team`,`criteria`,`resource`);--> statement-breakpoint
CREATE INDEX `criteria_team` ON `criteria` (`team`,`deleted_at`);--> statement-breakpoint
CREATE INDEX `round_team` ON `round` (`team`,`deleted_at`,`id`);--> statement-breakpoint
CREATE INDEX `round_criteria` ON `round` (`criteria`,`state`);--> statement-breakpoint
CREATE INDEX `round_share_resource` ON `round_share` (`resource`,`round`);--> statement-breakpoint
CREATE INDEX `round_share_person` ON `round_share` (`person`,`round`);