CREATE TABLE `short_code` (
	`code` varchar(8) character set ascii collate ascii_bin NOT NULL,
	`collection` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`until` datetime(3),
	`ended_at` datetime(3),
	CONSTRAINT `short_code_code` PRIMARY KEY(`code`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `reach` varchar(8) DEFAULT 'level' NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `shared_until` datetime(3);--> statement-breakpoint
ALTER TABLE `collection` ADD `left_out` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `language` varchar(35) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `framed_by` text DEFAULT ('*') NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `aim_minutes` int;--> statement-breakpoint
ALTER TABLE `placement` ADD `for_readers` boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE `placement` ADD `gives_copy` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `short_code` ADD CONSTRAINT `short_code_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `short_code_collection` ON `short_code` (`collection`);