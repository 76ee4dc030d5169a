DELETE FROM `term_posting`;--> statement-breakpoint
DELETE FROM `term_stat`;--> statement-breakpoint
DELETE FROM `term_list`;--> statement-breakpoint
DELETE FROM `term_due`;--> statement-breakpoint
INSERT INTO `term_due` (`id`, `resource`, `team`) SELECT UUID(), `id`, `team` FROM `resource` WHERE `deleted_at` IS NULL;--> statement-breakpoint
CREATE TABLE `term_block` (
	`team` uuid NOT NULL,
	`term` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`start` binary(16) NOT NULL,
	`pack` blob NOT NULL,
	CONSTRAINT `term_block_team_term_start_pk` PRIMARY KEY(`team`,`term`,`start`)
);
--> statement-breakpoint
ALTER TABLE `term_posting` ADD `known` boolean NOT NULL;--> statement-breakpoint
ALTER TABLE `term_posting` ADD `word` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL;