CREATE TABLE `kept_search` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`query` varchar(500) NOT NULL,
	`looked_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `kept_search_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `presence` (
	`collection` uuid NOT NULL,
	`person` uuid NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	CONSTRAINT `presence_collection_person_pk` PRIMARY KEY(`collection`,`person`)
);
--> statement-breakpoint
CREATE TABLE `term_due` (
	`id` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`team` uuid NOT NULL,
	CONSTRAINT `term_due_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `term_list` (
	`resource` uuid NOT NULL,
	`team` uuid NOT NULL,
	`terms` mediumtext NOT NULL,
	CONSTRAINT `term_list_resource` PRIMARY KEY(`resource`)
);
--> statement-breakpoint
CREATE TABLE `term_posting` (
	`team` uuid NOT NULL,
	`term` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`resource` uuid NOT NULL,
	`weight` smallint unsigned NOT NULL,
	CONSTRAINT `term_posting_team_term_resource_pk` PRIMARY KEY(`team`,`term`,`resource`)
);
--> statement-breakpoint
CREATE TABLE `term_stat` (
	`team` uuid NOT NULL,
	`term` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`df` int NOT NULL,
	`word` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	CONSTRAINT `term_stat_team_term_pk` PRIMARY KEY(`team`,`term`)
);
--> statement-breakpoint
ALTER TABLE `resource` ADD `used_at` datetime(3);--> statement-breakpoint
ALTER TABLE `collection` ADD `rich` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `look` varchar(8) DEFAULT 'item' NOT NULL;--> statement-breakpoint
ALTER TABLE `kept_search` ADD CONSTRAINT `kept_search_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `kept_search_own` ON `kept_search` (`person`,`team`,`id`);--> statement-breakpoint
CREATE INDEX `term_due_team` ON `term_due` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `term_list_team` ON `term_list` (`team`);--> statement-breakpoint
CREATE INDEX `resource_kind` ON `resource` (`team`,`deleted_at`,`kind`,`id`);--> statement-breakpoint
CREATE INDEX `resource_site` ON `resource` (`team`,`deleted_at`,`host`,`id`);--> statement-breakpoint
CREATE INDEX `resource_person` ON `resource` (`team`,`deleted_at`,`added_by`,`id`);--> statement-breakpoint
CREATE INDEX `resource_length` ON `resource` (`team`,`deleted_at`,`minutes`,`id`);--> statement-breakpoint
CREATE INDEX `resource_state` ON `resource` (`team`,`deleted_at`,`fetch_state`,`id`);--> statement-breakpoint
CREATE INDEX `resource_added` ON `resource` (`team`,`deleted_at`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `resource_language` ON `resource` (`team`,`language`);--> statement-breakpoint
CREATE INDEX `resource_tag_use` ON `resource_tag` (`team`,`tag`,`created_at`);--> statement-breakpoint
CREATE INDEX `collection_cover` ON `collection` (`cover_hash`);--> statement-breakpoint
CREATE INDEX `event_subject` ON `event` (`subject`,`at`);--> statement-breakpoint
INSERT INTO `term_due` (`id`, `resource`, `team`) SELECT UUID(), `id`, `team` FROM `resource`;
