CREATE TABLE `access_token` (
	`id` uuid NOT NULL,
	`person` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`last_used_at` datetime(3),
	`revoked_at` datetime(3),
	CONSTRAINT `access_token_id` PRIMARY KEY(`id`),
	CONSTRAINT `access_token_hash_unique` UNIQUE(`hash`)
);
--> statement-breakpoint
CREATE TABLE `account` (
	`id` uuid NOT NULL,
	`account_id` varchar(255) NOT NULL,
	`provider_id` varchar(64) NOT NULL,
	`person` uuid NOT NULL,
	`access_token` text,
	`refresh_token` text,
	`id_token` text,
	`access_token_expires_at` datetime(3),
	`refresh_token_expires_at` datetime(3),
	`scope` text,
	`password` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `account_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `invitation` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`role` varchar(16) NOT NULL,
	`code` varchar(32) character set ascii collate ascii_bin NOT NULL,
	`made_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `invitation_id` PRIMARY KEY(`id`),
	CONSTRAINT `invitation_code_unique` UNIQUE(`code`)
);
--> statement-breakpoint
CREATE TABLE `membership` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`role` varchar(16) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `membership_id` PRIMARY KEY(`id`),
	CONSTRAINT `membership_once` UNIQUE(`person`,`team`)
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`email` varchar(255) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`email_verified` boolean NOT NULL DEFAULT false,
	`image` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `person_id` PRIMARY KEY(`id`),
	CONSTRAINT `person_email_unique` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE `rate_limit` (
	`id` uuid NOT NULL,
	`key` varchar(255) NOT NULL,
	`count` int NOT NULL,
	`last_request` varchar(20) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `rate_limit_id` PRIMARY KEY(`id`),
	CONSTRAINT `rate_limit_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
CREATE TABLE `session` (
	`id` uuid NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`token` varchar(255) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`ip_address` varchar(64),
	`user_agent` text,
	`person` uuid NOT NULL,
	CONSTRAINT `session_id` PRIMARY KEY(`id`),
	CONSTRAINT `session_token_unique` UNIQUE(`token`)
);
--> statement-breakpoint
CREATE TABLE `team` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`own_of` uuid,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `team_id` PRIMARY KEY(`id`),
	CONSTRAINT `team_own_of_unique` UNIQUE(`own_of`)
);
--> statement-breakpoint
CREATE TABLE `verification` (
	`id` uuid NOT NULL,
	`identifier` varchar(255) NOT NULL,
	`value` text NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `verification_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `resource` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`kind` varchar(16) NOT NULL,
	`address` text NOT NULL,
	`address_hash` varchar(43) character set ascii collate ascii_bin NOT NULL,
	`canonical_hash` varchar(43) character set ascii collate ascii_bin,
	`host` varchar(255) NOT NULL,
	`title` varchar(500) NOT NULL,
	`description` text NOT NULL,
	`site_name` varchar(200) NOT NULL DEFAULT '',
	`authors` json NOT NULL,
	`published` varchar(10) character set ascii collate ascii_bin,
	`language` varchar(35),
	`words` int,
	`pages` int,
	`seconds` int,
	`minutes` int,
	`player` json,
	`picture_hash` varchar(64) character set ascii collate ascii_bin,
	`typed` json NOT NULL,
	`fetch_state` varchar(12) NOT NULL,
	`fetch_problem` varchar(32),
	`fetched_at` datetime(3),
	`added_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `resource_id` PRIMARY KEY(`id`),
	CONSTRAINT `resource_once` UNIQUE(`team`,`address_hash`)
);
--> statement-breakpoint
CREATE TABLE `resource_tag` (
	`id` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`tag` uuid NOT NULL,
	`team` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `resource_tag_id` PRIMARY KEY(`id`),
	CONSTRAINT `resource_tag_once` UNIQUE(`resource`,`tag`)
);
--> statement-breakpoint
CREATE TABLE `tag` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`key` varchar(80) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `tag_id` PRIMARY KEY(`id`),
	CONSTRAINT `tag_once` UNIQUE(`team`,`key`)
);
--> statement-breakpoint
CREATE TABLE `tray_entry` (
	`id` uuid NOT NULL,
	`person` uuid NOT NULL,
	`team` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`state` varchar(12) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `tray_entry_id` PRIMARY KEY(`id`),
	CONSTRAINT `tray_once` UNIQUE(`person`,`resource`)
);
--> statement-breakpoint
CREATE TABLE `collection` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`parent` uuid,
	`position` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`title` varchar(200) NOT NULL,
	`description` text NOT NULL,
	`audience` varchar(8) NOT NULL DEFAULT 'team',
	`view` varchar(8) NOT NULL DEFAULT 'rows',
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `collection_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `placement` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`section` uuid,
	`resource` uuid NOT NULL,
	`position` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`heading` varchar(300) NOT NULL DEFAULT '',
	`context` text NOT NULL,
	`added_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `placement_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `section` (
	`id` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`title` varchar(200) NOT NULL,
	`position` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `section_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `share_link` (
	`code` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`collection` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `share_link_code` PRIMARY KEY(`code`)
);
--> statement-breakpoint
CREATE TABLE `event` (
	`id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid,
	`actor` uuid,
	`verb` varchar(48) NOT NULL,
	`subject` uuid NOT NULL,
	`data` json NOT NULL,
	CONSTRAINT `event_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `file_blob` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`bytes` int NOT NULL,
	`type` varchar(100) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `file_blob_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `job` (
	`id` uuid NOT NULL,
	`kind` varchar(48) NOT NULL,
	`unique_key` varchar(120),
	`team` uuid,
	`payload` json NOT NULL,
	`state` varchar(8) NOT NULL,
	`run_at` datetime(3) NOT NULL,
	`attempts` int NOT NULL DEFAULT 0,
	`leased_by` varchar(36) character set ascii collate ascii_bin,
	`lease_until` datetime(3),
	`error` text,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `job_id` PRIMARY KEY(`id`),
	CONSTRAINT `job_unique_key_unique` UNIQUE(`unique_key`)
);
--> statement-breakpoint
CREATE TABLE `worker` (
	`id` uuid NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	CONSTRAINT `worker_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `access_token` ADD CONSTRAINT `access_token_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `account` ADD CONSTRAINT `account_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource` ADD CONSTRAINT `resource_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource_tag` ADD CONSTRAINT `resource_tag_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource_tag` ADD CONSTRAINT `resource_tag_tag_tag_id_fk` FOREIGN KEY (`tag`) REFERENCES `tag`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tag` ADD CONSTRAINT `tag_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tray_entry` ADD CONSTRAINT `tray_entry_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tray_entry` ADD CONSTRAINT `tray_entry_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `collection` ADD CONSTRAINT `collection_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `placement` ADD CONSTRAINT `placement_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `section` ADD CONSTRAINT `section_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `share_link` ADD CONSTRAINT `share_link_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `access_token_person` ON `access_token` (`person`);--> statement-breakpoint
CREATE INDEX `account_person` ON `account` (`person`);--> statement-breakpoint
CREATE INDEX `invitation_team` ON `invitation` (`team`);--> statement-breakpoint
CREATE INDEX `membership_team` ON `membership` (`team`);--> statement-breakpoint
CREATE INDEX `session_person` ON `session` (`person`);--> statement-breakpoint
CREATE INDEX `verification_identifier` ON `verification` (`identifier`);--> statement-breakpoint
CREATE INDEX `resource_canonical` ON `resource` (`team`,`canonical_hash`);--> statement-breakpoint
CREATE INDEX `resource_newest` ON `resource` (`team`,`deleted_at`,`id`);--> statement-breakpoint
CREATE INDEX `resource_picture` ON `resource` (`picture_hash`,`team`);--> statement-breakpoint
CREATE INDEX `resource_tag_facet` ON `resource_tag` (`team`,`tag`,`resource`);--> statement-breakpoint
CREATE INDEX `tray_waiting` ON `tray_entry` (`person`,`team`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `collection_tree` ON `collection` (`team`,`deleted_at`,`parent`,`position`);--> statement-breakpoint
CREATE INDEX `placement_order` ON `placement` (`collection`,`section`,`position`,`id`);--> statement-breakpoint
CREATE INDEX `placement_resource` ON `placement` (`resource`);--> statement-breakpoint
CREATE INDEX `placement_bin` ON `placement` (`team`,`deleted_at`);--> statement-breakpoint
CREATE INDEX `section_order` ON `section` (`collection`,`position`);--> statement-breakpoint
CREATE INDEX `share_link_collection` ON `share_link` (`collection`);--> statement-breakpoint
CREATE INDEX `event_order` ON `event` (`at`,`id`);--> statement-breakpoint
CREATE INDEX `event_team` ON `event` (`team`,`at`,`id`);--> statement-breakpoint
CREATE INDEX `job_claim` ON `job` (`state`,`run_at`,`id`);--> statement-breakpoint
CREATE INDEX `job_lease` ON `job` (`state`,`lease_until`);--> statement-breakpoint
CREATE INDEX `job_team` ON `job` (`team`,`state`);--> statement-breakpoint
CREATE INDEX `worker_seen` ON `worker` (`seen_at`);