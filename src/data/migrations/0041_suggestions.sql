CREATE TABLE `suggestion` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`giver` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`kind` varchar(8) NOT NULL,
	`address` text NOT NULL,
	`text` text NOT NULL,
	`title` varchar(300) NOT NULL,
	`why` text NOT NULL,
	`file_hash` varchar(64) character set ascii collate ascii_bin,
	`file_sent` varchar(64) character set ascii collate ascii_bin,
	`file_name` varchar(255) NOT NULL,
	`file_type` varchar(120) NOT NULL,
	`file_bytes` int NOT NULL,
	`state` varchar(8) NOT NULL,
	`by_itself` boolean NOT NULL,
	`held_for` varchar(80) NOT NULL,
	`word` varchar(500) NOT NULL,
	`resource` uuid,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `suggestion_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `suggestion_page` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`link` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`code` varchar(8) character set ascii collate ascii_bin NOT NULL,
	`open` boolean NOT NULL,
	`lets_in` boolean NOT NULL,
	`holds` text NOT NULL,
	`ask` varchar(500) NOT NULL,
	`until` datetime(3),
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `suggestion_page_id` PRIMARY KEY(`id`),
	CONSTRAINT `suggestion_page_of` UNIQUE(`collection`),
	CONSTRAINT `suggestion_page_link` UNIQUE(`link`),
	CONSTRAINT `suggestion_page_code` UNIQUE(`code`)
);
--> statement-breakpoint
ALTER TABLE `suggestion` ADD CONSTRAINT `suggestion_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `suggestion` ADD CONSTRAINT `suggestion_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `suggestion_page` ADD CONSTRAINT `suggestion_page_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `suggestion_page` ADD CONSTRAINT `suggestion_page_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `suggestion_in` ON `suggestion` (`collection`,`state`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `suggestion_team` ON `suggestion` (`team`,`state`);--> statement-breakpoint
CREATE INDEX `suggestion_giver` ON `suggestion` (`giver`);--> statement-breakpoint
CREATE INDEX `suggestion_file` ON `suggestion` (`file_hash`);--> statement-breakpoint
CREATE INDEX `suggestion_page_team` ON `suggestion_page` (`team`);