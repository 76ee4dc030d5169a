CREATE TABLE `feed` (
	`id` uuid NOT NULL,
	`hash` varchar(43) character set ascii collate ascii_bin NOT NULL,
	`address` varchar(2000) character set ascii collate ascii_bin NOT NULL,
	`title` varchar(200) NOT NULL DEFAULT '',
	`home` varchar(2000) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`etag` varchar(500) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`modified` varchar(100) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`problem` varchar(20),
	`failures` int NOT NULL DEFAULT 0,
	`read_at` datetime(3),
	`next_at` datetime(3) NOT NULL,
	CONSTRAINT `feed_id` PRIMARY KEY(`id`),
	CONSTRAINT `feed_hash` UNIQUE(`hash`)
);
--> statement-breakpoint
CREATE TABLE `feed_entry` (
	`feed` uuid NOT NULL,
	`hash` varchar(43) character set ascii collate ascii_bin NOT NULL,
	`address` varchar(2000) character set ascii collate ascii_bin NOT NULL,
	`title` varchar(500) NOT NULL,
	`about` varchar(600) NOT NULL,
	`published` datetime(3),
	`came_at` datetime(3) NOT NULL,
	CONSTRAINT `feed_entry_feed_hash_pk` PRIMARY KEY(`feed`,`hash`)
);
--> statement-breakpoint
ALTER TABLE `follow` ADD `tray_from` datetime(3);--> statement-breakpoint
ALTER TABLE `feed_entry` ADD CONSTRAINT `feed_entry_feed_feed_id_fk` FOREIGN KEY (`feed`) REFERENCES `feed`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `feed_next` ON `feed` (`next_at`);--> statement-breakpoint
CREATE INDEX `feed_entry_came` ON `feed_entry` (`feed`,`came_at`);--> statement-breakpoint
CREATE INDEX `follow_hash` ON `follow` (`hash`,`kind`);