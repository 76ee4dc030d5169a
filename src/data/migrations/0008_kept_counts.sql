CREATE TABLE `kept_count` (
	`team` uuid NOT NULL,
	`what` varchar(10) NOT NULL,
	`at` datetime(3) NOT NULL,
	`counts` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	CONSTRAINT `kept_count_team_what_pk` PRIMARY KEY(`team`,`what`)
);
--> statement-breakpoint
DROP TABLE `facet_count`;--> statement-breakpoint
ALTER TABLE `kept_count` ADD CONSTRAINT `kept_count_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;