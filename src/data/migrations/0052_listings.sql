CREATE TABLE `listing` (
	`collection` uuid NOT NULL,
	`since` datetime(3) NOT NULL,
	`noted` int NOT NULL,
	`taken` int NOT NULL,
	`content` mediumtext character set utf8mb4 collate utf8mb4_bin,
	CONSTRAINT `listing_collection` PRIMARY KEY(`collection`)
);
--> statement-breakpoint
ALTER TABLE `listing` ADD CONSTRAINT `listing_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `listing_new` ON `listing` (`since`,`collection`);--> statement-breakpoint
INSERT INTO `listing` (`collection`, `since`, `noted`, `taken`) SELECT `id`, `updated_at`, 1, 0 FROM `collection` WHERE `audience` = 'public';--> statement-breakpoint
INSERT INTO `reindex_queue` (`id`, `resource`, `team`) SELECT UUID(), `id`, '00000000-0000-0000-0000-000000000000' FROM `collection` WHERE `audience` = 'public';
