CREATE TABLE `pairing` (
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `pairing_hash` PRIMARY KEY(`hash`)
);
--> statement-breakpoint
CREATE TABLE `near_text` (
	`team` uuid NOT NULL,
	`band` varchar(12) character set ascii collate ascii_bin NOT NULL,
	`resource` uuid NOT NULL,
	CONSTRAINT `near_text_team_band_resource_pk` PRIMARY KEY(`team`,`band`,`resource`)
);
--> statement-breakpoint
CREATE TABLE `picture_candidate` (
	`resource` uuid NOT NULL,
	`no` int NOT NULL,
	`address` text NOT NULL,
	CONSTRAINT `picture_candidate_resource_no_pk` PRIMARY KEY(`resource`,`no`)
);
--> statement-breakpoint
CREATE TABLE `resource_proposal` (
	`resource` uuid NOT NULL,
	`facts` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`picture_hash` varchar(64) character set ascii collate ascii_bin,
	`copy` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `resource_proposal_resource` PRIMARY KEY(`resource`)
);
--> statement-breakpoint
CREATE TABLE `resource_file` (
	`resource` uuid NOT NULL,
	`team` uuid NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(255) NOT NULL,
	`type` varchar(100) NOT NULL,
	`bytes` int NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `resource_file_resource` PRIMARY KEY(`resource`)
);
--> statement-breakpoint
CREATE TABLE `resource_text` (
	`resource` uuid NOT NULL,
	`origin` varchar(12) NOT NULL,
	`html` mediumtext NOT NULL,
	`text` mediumtext NOT NULL,
	`signature` varchar(512) character set ascii collate ascii_bin NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `resource_text_resource` PRIMARY KEY(`resource`)
);
--> statement-breakpoint
CREATE TABLE `rule` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`when_` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`collection` uuid,
	`section` uuid,
	`tags` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`acts` int NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `rule_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `rule_hit` (
	`id` uuid NOT NULL,
	`rule` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`team` uuid NOT NULL,
	`state` varchar(12) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `rule_hit_id` PRIMARY KEY(`id`),
	CONSTRAINT `rule_hit_once` UNIQUE(`resource`,`rule`)
);
--> statement-breakpoint
CREATE TABLE `twin_apart` (
	`a` uuid NOT NULL,
	`b` uuid NOT NULL,
	`team` uuid NOT NULL,
	CONSTRAINT `twin_apart_a_b_pk` PRIMARY KEY(`a`,`b`)
);
--> statement-breakpoint
CREATE TABLE `twin_merge` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`kept` uuid NOT NULL,
	`gone` uuid NOT NULL,
	`before_` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`undone_at` datetime(3),
	CONSTRAINT `twin_merge_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `mail_address` (
	`id` uuid NOT NULL,
	`local_part` varchar(40) character set ascii collate ascii_bin NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`collection` uuid,
	`created_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	CONSTRAINT `mail_address_id` PRIMARY KEY(`id`),
	CONSTRAINT `mail_address_local_part_unique` UNIQUE(`local_part`)
);
--> statement-breakpoint
CREATE TABLE `mail_message` (
	`id` uuid NOT NULL,
	`mailbox` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`collection` uuid,
	`identity` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`sender` varchar(255) NOT NULL,
	`subject` varchar(300) NOT NULL,
	`state` varchar(8) NOT NULL,
	`original` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`resource` uuid,
	`links` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `mail_message_id` PRIMARY KEY(`id`),
	CONSTRAINT `mail_message_once` UNIQUE(`mailbox`,`identity`)
);
--> statement-breakpoint
CREATE TABLE `mail_sender` (
	`id` uuid NOT NULL,
	`person` uuid NOT NULL,
	`address` varchar(255) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `mail_sender_id` PRIMARY KEY(`id`),
	CONSTRAINT `mail_sender_once` UNIQUE(`person`,`address`)
);
--> statement-breakpoint
ALTER TABLE `access_token` ADD `scope` varchar(12) DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE `resource` ADD `file_name` varchar(255);--> statement-breakpoint
ALTER TABLE `resource` ADD `twin_of` uuid;--> statement-breakpoint
ALTER TABLE `pairing` ADD CONSTRAINT `pairing_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `near_text` ADD CONSTRAINT `near_text_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `picture_candidate` ADD CONSTRAINT `picture_candidate_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource_proposal` ADD CONSTRAINT `resource_proposal_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource_file` ADD CONSTRAINT `resource_file_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resource_text` ADD CONSTRAINT `resource_text_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rule_hit` ADD CONSTRAINT `rule_hit_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `mail_address` ADD CONSTRAINT `mail_address_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `mail_message` ADD CONSTRAINT `mail_message_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `near_text_resource` ON `near_text` (`resource`);--> statement-breakpoint
CREATE INDEX `resource_file_hash` ON `resource_file` (`hash`,`team`);--> statement-breakpoint
CREATE INDEX `rule_team` ON `rule` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `twin_merge_team` ON `twin_merge` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `mail_address_person` ON `mail_address` (`person`,`team`);--> statement-breakpoint
CREATE INDEX `mail_message_person` ON `mail_message` (`person`,`state`,`id`);--> statement-breakpoint
CREATE INDEX `mail_message_resource` ON `mail_message` (`resource`);--> statement-breakpoint
CREATE INDEX `resource_twin` ON `resource` (`team`,`twin_of`);