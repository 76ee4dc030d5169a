CREATE TABLE `collection_tag` (
	`collection` uuid NOT NULL,
	`tag` uuid NOT NULL,
	`team` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `collection_tag_collection_tag_pk` PRIMARY KEY(`collection`,`tag`)
);
--> statement-breakpoint
CREATE TABLE `view_setting` (
	`person` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`view` json NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `view_setting_person_collection_pk` PRIMARY KEY(`person`,`collection`)
);
--> statement-breakpoint
CREATE TABLE `deed` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`words` varchar(200) NOT NULL,
	`ability` varchar(12) NOT NULL,
	`changes` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`state` varchar(8) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `deed_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `cover_hash` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `collection` ADD `away_at` datetime(3);--> statement-breakpoint
ALTER TABLE `section` ADD `intro` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `collection_tag` ADD CONSTRAINT `collection_tag_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `collection_tag` ADD CONSTRAINT `collection_tag_tag_tag_id_fk` FOREIGN KEY (`tag`) REFERENCES `tag`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `view_setting` ADD CONSTRAINT `view_setting_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `collection_tag_tag` ON `collection_tag` (`team`,`tag`);--> statement-breakpoint
CREATE INDEX `deed_own` ON `deed` (`person`,`team`,`id`);