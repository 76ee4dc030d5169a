CREATE TABLE `steward_deed` (
	`id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`kind` varchar(12) NOT NULL,
	`person` uuid,
	`collection` uuid,
	`title` varchar(200) NOT NULL DEFAULT '',
	`team_name` varchar(120) NOT NULL DEFAULT '',
	`words` text NOT NULL,
	CONSTRAINT `steward_deed_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `installation` (
	`name` varchar(20) NOT NULL,
	`value` json NOT NULL,
	CONSTRAINT `installation_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
CREATE TABLE `report` (
	`id` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`reason` varchar(12) NOT NULL,
	`words` text NOT NULL,
	`address` varchar(254) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`closed_at` datetime(3),
	CONSTRAINT `report_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `steward` (
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `steward_person` PRIMARY KEY(`person`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `hidden_at` datetime(3);--> statement-breakpoint
ALTER TABLE `report` ADD CONSTRAINT `report_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `steward` ADD CONSTRAINT `steward_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `deed_at` ON `steward_deed` (`at`,`id`);--> statement-breakpoint
CREATE INDEX `deed_of` ON `steward_deed` (`collection`,`at`);--> statement-breakpoint
CREATE INDEX `report_open` ON `report` (`closed_at`,`created_at`);--> statement-breakpoint
CREATE INDEX `report_of` ON `report` (`collection`,`closed_at`);--> statement-breakpoint
CREATE INDEX `collection_hidden` ON `collection` (`team`,`hidden_at`);