CREATE TABLE `facet_count` (
	`team` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`facets` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	CONSTRAINT `facet_count_team` PRIMARY KEY(`team`)
);
--> statement-breakpoint
ALTER TABLE `facet_count` ADD CONSTRAINT `facet_count_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;