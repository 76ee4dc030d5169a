CREATE TABLE `mark` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`person` uuid NOT NULL,
	`private` boolean NOT NULL,
	`meaning` uuid,
	`quote` text NOT NULL,
	`prefix` varchar(80) NOT NULL,
	`suffix` varchar(80) NOT NULL,
	`note` text NOT NULL,
	`version` int,
	`start_at` int,
	`end_at` int,
	`sure` int,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `mark_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `meaning` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`name` varchar(40) NOT NULL,
	`key` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`pattern` varchar(12) NOT NULL,
	`tint` varchar(12) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`removed_at` datetime(3),
	CONSTRAINT `meaning_id` PRIMARY KEY(`id`),
	CONSTRAINT `meaning_once` UNIQUE(`team`,`key`)
);
--> statement-breakpoint
CREATE TABLE `text_version` (
	`resource` uuid NOT NULL,
	`number` int NOT NULL,
	`origin` varchar(12) NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`words` int NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `text_version_resource_number_pk` PRIMARY KEY(`resource`,`number`)
);
--> statement-breakpoint
CREATE TABLE `own_term` (
	`person` uuid NOT NULL,
	`team` uuid NOT NULL,
	`term` varchar(40) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`resource` uuid NOT NULL,
	`weight` smallint unsigned NOT NULL,
	CONSTRAINT `own_term_person_team_term_resource_pk` PRIMARY KEY(`person`,`team`,`term`,`resource`)
);
--> statement-breakpoint
ALTER TABLE `resource_text` ADD `number` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `mark` ADD CONSTRAINT `mark_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `mark` ADD CONSTRAINT `mark_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `meaning` ADD CONSTRAINT `meaning_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `text_version` ADD CONSTRAINT `text_version_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `mark_resource` ON `mark` (`resource`,`deleted_at`);--> statement-breakpoint
CREATE INDEX `mark_team` ON `mark` (`team`,`deleted_at`,`id`);--> statement-breakpoint
CREATE INDEX `mark_person` ON `mark` (`person`,`team`,`private`);--> statement-breakpoint
CREATE INDEX `text_version_digest` ON `text_version` (`digest`);--> statement-breakpoint
CREATE INDEX `own_term_resource` ON `own_term` (`person`,`resource`);