CREATE TABLE `credit` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`lender` uuid NOT NULL,
	`title` varchar(200) NOT NULL,
	`team_name` varchar(120) NOT NULL,
	`edition` int,
	`code` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`pairs` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`settled` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`asks` boolean NOT NULL DEFAULT true,
	`taken_at` datetime(3) NOT NULL,
	CONSTRAINT `credit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `listed_address` (
	`hash` varchar(43) character set ascii collate ascii_bin NOT NULL,
	`collection` uuid NOT NULL,
	`team` uuid NOT NULL,
	CONSTRAINT `listed_address_hash_collection_pk` PRIMARY KEY(`hash`,`collection`)
);
--> statement-breakpoint
CREATE TABLE `listed_tag` (
	`key` varchar(80) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`name` varchar(80) NOT NULL,
	`collection` uuid NOT NULL,
	`team` uuid NOT NULL,
	CONSTRAINT `listed_tag_key_collection_pk` PRIMARY KEY(`key`,`collection`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `credit` uuid;--> statement-breakpoint
ALTER TABLE `placement` ADD `credit` uuid;--> statement-breakpoint
ALTER TABLE `listing` ADD `used_as` varchar(12);--> statement-breakpoint
ALTER TABLE `listing` ADD `language` varchar(2) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `listing` ADD `minutes` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `listing` ADD `level` int;--> statement-breakpoint
ALTER TABLE `listing` ADD `addresses` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `listing` ADD `tagged` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `credit` ADD CONSTRAINT `credit_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `listed_address` ADD CONSTRAINT `listed_address_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `listed_tag` ADD CONSTRAINT `listed_tag_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `credit_team` ON `credit` (`team`);--> statement-breakpoint
CREATE INDEX `credit_lender` ON `credit` (`lender`,`team`,`taken_at`);--> statement-breakpoint
CREATE INDEX `credit_digest` ON `credit` (`digest`);--> statement-breakpoint
CREATE INDEX `listed_address_of` ON `listed_address` (`collection`,`hash`);--> statement-breakpoint
CREATE INDEX `listed_tag_of` ON `listed_tag` (`collection`);--> statement-breakpoint
UPDATE `listing` SET `noted` = `noted` + 1;--> statement-breakpoint
INSERT INTO `reindex_queue` (`id`, `resource`, `team`) SELECT UUID(), `collection`, '00000000-0000-0000-0000-000000000000' FROM `listing`;
