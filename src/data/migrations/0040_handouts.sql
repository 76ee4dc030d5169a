CREATE TABLE `learner` (
	`id` uuid NOT NULL,
	`group_id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`code` varchar(8) character set ascii collate ascii_bin NOT NULL,
	`card` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `learner_id` PRIMARY KEY(`id`),
	CONSTRAINT `learner_code` UNIQUE(`code`),
	CONSTRAINT `learner_card` UNIQUE(`card`)
);
--> statement-breakpoint
CREATE TABLE `learner_group` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`title` varchar(120) NOT NULL,
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `learner_group_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `handout` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`group_id` uuid NOT NULL,
	`edition` uuid NOT NULL,
	`title` varchar(200) NOT NULL,
	`writes` boolean NOT NULL,
	`until` datetime(3),
	`created_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `handout_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sheet` (
	`id` uuid NOT NULL,
	`handout` uuid NOT NULL,
	`learner` uuid NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`written_at` datetime(3),
	`handed_in_at` datetime(3),
	`looked_at` datetime(3),
	CONSTRAINT `sheet_id` PRIMARY KEY(`id`),
	CONSTRAINT `sheet_of` UNIQUE(`handout`,`learner`)
);
--> statement-breakpoint
CREATE TABLE `sheet_find` (
	`id` uuid NOT NULL,
	`sheet` uuid NOT NULL,
	`section` uuid,
	`address` text NOT NULL,
	`title` varchar(300) NOT NULL,
	`context` text NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`deleted_at` datetime(3),
	CONSTRAINT `sheet_find_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sheet_item` (
	`sheet` uuid NOT NULL,
	`item` uuid NOT NULL,
	`edition` uuid NOT NULL,
	`done` boolean NOT NULL DEFAULT false,
	`context` text,
	`context_from` text,
	`answer` text NOT NULL,
	`note` text NOT NULL,
	CONSTRAINT `sheet_item_sheet_item_pk` PRIMARY KEY(`sheet`,`item`)
);
--> statement-breakpoint
ALTER TABLE `learner` ADD CONSTRAINT `learner_group_id_learner_group_id_fk` FOREIGN KEY (`group_id`) REFERENCES `learner_group`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `learner_group` ADD CONSTRAINT `learner_group_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `handout` ADD CONSTRAINT `handout_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `handout` ADD CONSTRAINT `handout_group_id_learner_group_id_fk` FOREIGN KEY (`group_id`) REFERENCES `learner_group`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sheet` ADD CONSTRAINT `sheet_handout_handout_id_fk` FOREIGN KEY (`handout`) REFERENCES `handout`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sheet` ADD CONSTRAINT `sheet_learner_learner_id_fk` FOREIGN KEY (`learner`) REFERENCES `learner`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sheet_find` ADD CONSTRAINT `sheet_find_sheet_sheet_id_fk` FOREIGN KEY (`sheet`) REFERENCES `sheet`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sheet_item` ADD CONSTRAINT `sheet_item_sheet_sheet_id_fk` FOREIGN KEY (`sheet`) REFERENCES `sheet`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `learner_in_group` ON `learner` (`group_id`,`id`);--> statement-breakpoint
CREATE INDEX `learner_group_team` ON `learner_group` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `handout_group` ON `handout` (`group_id`,`id`);--> statement-breakpoint
CREATE INDEX `handout_collection` ON `handout` (`collection`);--> statement-breakpoint
CREATE INDEX `handout_edition` ON `handout` (`edition`);--> statement-breakpoint
CREATE INDEX `handout_team` ON `handout` (`team`,`id`);--> statement-breakpoint
CREATE INDEX `sheet_find_sheet` ON `sheet_find` (`sheet`);