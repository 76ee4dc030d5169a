CREATE TABLE `follow` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`kind` varchar(10) NOT NULL,
	`what` varchar(500) NOT NULL,
	`name` varchar(200) NOT NULL,
	`hash` varchar(43) character set ascii collate ascii_bin NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `follow_id` PRIMARY KEY(`id`),
	CONSTRAINT `follow_once` UNIQUE(`person`,`team`,`hash`)
);
--> statement-breakpoint
ALTER TABLE `listing` ADD `newest` datetime(3);--> statement-breakpoint
ALTER TABLE `follow` ADD CONSTRAINT `follow_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
UPDATE `listing` SET `noted` = `noted` + 1;--> statement-breakpoint
INSERT INTO `reindex_queue` (`id`, `resource`, `team`) SELECT UUID(), `collection`, '00000000-0000-0000-0000-000000000000' FROM `listing`;
