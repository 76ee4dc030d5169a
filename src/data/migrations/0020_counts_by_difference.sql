-- Counts of the catalogue are kept by difference with the index, which is fed with everything once more for it.
CREATE TABLE `facet_count` (
	`team` uuid NOT NULL,
	`facet` varchar(10) character set ascii collate ascii_bin NOT NULL,
	`value` varchar(255) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`n` int NOT NULL,
	CONSTRAINT `facet_count_team_facet_value_pk` PRIMARY KEY(`team`,`facet`,`value`)
);
--> statement-breakpoint
ALTER TABLE `term_list` ADD `counted` mediumtext;--> statement-breakpoint
CREATE INDEX `facet_count_most` ON `facet_count` (`team`,`facet`,`n`,`value`);--> statement-breakpoint
INSERT INTO `reindex_queue` (`id`, `resource`, `team`) SELECT UUID(), `id`, `team` FROM `resource` WHERE `deleted_at` IS NULL;
