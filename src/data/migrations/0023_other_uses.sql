CREATE TABLE `newsletter_delivery` (
	`issue` uuid NOT NULL,
	`reader` uuid NOT NULL,
	`state` varchar(10) NOT NULL,
	`problem` varchar(300),
	`at` datetime(3) NOT NULL,
	CONSTRAINT `newsletter_delivery_issue_reader_pk` PRIMARY KEY(`issue`,`reader`)
);
--> statement-breakpoint
CREATE TABLE `newsletter_draft` (
	`collection` uuid NOT NULL,
	`subject` varchar(200) NOT NULL DEFAULT '',
	`greeting` text NOT NULL DEFAULT (''),
	`closing` text NOT NULL DEFAULT (''),
	`chosen` json,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `newsletter_draft_collection` PRIMARY KEY(`collection`)
);
--> statement-breakpoint
CREATE TABLE `newsletter_issue` (
	`id` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`edition` uuid NOT NULL,
	`subject` varchar(200) NOT NULL,
	`readers` int NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `newsletter_issue_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `newsletter_reader` (
	`id` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`address` varchar(254) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`token` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`state` varchar(10) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`confirmed_at` datetime(3),
	CONSTRAINT `newsletter_reader_id` PRIMARY KEY(`id`),
	CONSTRAINT `newsletter_reader_once` UNIQUE(`collection`,`address`),
	CONSTRAINT `newsletter_reader_token` UNIQUE(`token`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `used_as` varchar(12);--> statement-breakpoint
ALTER TABLE `section` ADD `minutes` int;--> statement-breakpoint
ALTER TABLE `section` ADD `teacher` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `section` ADD `learners` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `edition` ADD `is_issue` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `newsletter_delivery` ADD CONSTRAINT `newsletter_delivery_issue_newsletter_issue_id_fk` FOREIGN KEY (`issue`) REFERENCES `newsletter_issue`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `newsletter_delivery` ADD CONSTRAINT `newsletter_delivery_reader_newsletter_reader_id_fk` FOREIGN KEY (`reader`) REFERENCES `newsletter_reader`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `newsletter_draft` ADD CONSTRAINT `newsletter_draft_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `newsletter_issue` ADD CONSTRAINT `newsletter_issue_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `newsletter_issue` ADD CONSTRAINT `newsletter_issue_edition_edition_id_fk` FOREIGN KEY (`edition`) REFERENCES `edition`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `newsletter_reader` ADD CONSTRAINT `newsletter_reader_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `newsletter_delivery_state` ON `newsletter_delivery` (`issue`,`state`,`reader`);--> statement-breakpoint
CREATE INDEX `newsletter_issue_collection` ON `newsletter_issue` (`collection`,`created_at`);