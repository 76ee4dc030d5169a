CREATE TABLE `notice` (
	`id` uuid NOT NULL,
	`person` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`kind` varchar(16) NOT NULL,
	`comment` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`seen_at` datetime(3),
	`letter` uuid,
	`mailed_at` datetime(3),
	CONSTRAINT `notice_id` PRIMARY KEY(`id`),
	CONSTRAINT `notice_once` UNIQUE(`person`,`comment`)
);
--> statement-breakpoint
CREATE TABLE `notice_wish` (
	`person` uuid NOT NULL,
	`wishes` json NOT NULL,
	`token` varchar(64) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `notice_wish_person` PRIMARY KEY(`person`),
	CONSTRAINT `notice_wish_token_unique` UNIQUE(`token`)
);
--> statement-breakpoint
ALTER TABLE `notice` ADD CONSTRAINT `notice_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `notice` ADD CONSTRAINT `notice_comment_comment_id_fk` FOREIGN KEY (`comment`) REFERENCES `comment`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `notice_unseen` ON `notice` (`person`,`seen_at`,`created_at`);--> statement-breakpoint
CREATE INDEX `notice_letter` ON `notice` (`letter`);