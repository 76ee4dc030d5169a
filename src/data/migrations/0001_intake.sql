CREATE TABLE `intake` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`name` varchar(200) NOT NULL,
	`state` varchar(12) NOT NULL,
	`separator` varchar(12) NOT NULL,
	`into_collection` uuid,
	`into_section` uuid,
	`places` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`standing` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`total` int NOT NULL,
	`done` int NOT NULL DEFAULT 0,
	`made` int NOT NULL DEFAULT 0,
	`placed` int NOT NULL DEFAULT 0,
	`here` int NOT NULL DEFAULT 0,
	`rejected` int NOT NULL DEFAULT 0,
	`left_out` int NOT NULL DEFAULT 0,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `intake_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `intake_part` (
	`intake` uuid NOT NULL,
	`no` int NOT NULL,
	`lines_` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`outcomes` mediumtext character set utf8mb4 collate utf8mb4_bin,
	`state` varchar(8) NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `intake_part_intake_no_pk` PRIMARY KEY(`intake`,`no`)
);
--> statement-breakpoint
DROP INDEX `job_claim` ON `job`;--> statement-breakpoint
ALTER TABLE `resource` ADD `item_type` varchar(32);--> statement-breakpoint
ALTER TABLE `resource` ADD `details` json DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `resource` ADD `quotation` json;--> statement-breakpoint
ALTER TABLE `job` ADD `priority` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `intake` ADD CONSTRAINT `intake_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `intake_part` ADD CONSTRAINT `intake_part_intake_intake_id_fk` FOREIGN KEY (`intake`) REFERENCES `intake`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `intake_team` ON `intake` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `intake_part_next` ON `intake_part` (`intake`,`state`,`no`);--> statement-breakpoint
CREATE INDEX `job_claim` ON `job` (`state`,`priority`,`run_at`,`id`);