CREATE TABLE `comment` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid,
	`section` uuid,
	`placement` uuid,
	`thread` uuid,
	`person` uuid NOT NULL,
	`words` text NOT NULL,
	`settled_at` datetime(3),
	`settled_by` uuid,
	`created_at` datetime(3) NOT NULL,
	`edited_at` datetime(3),
	`deleted_at` datetime(3),
	CONSTRAINT `comment_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `comment` ADD CONSTRAINT `comment_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `comment` ADD CONSTRAINT `comment_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `comment` ADD CONSTRAINT `comment_section_section_id_fk` FOREIGN KEY (`section`) REFERENCES `section`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `comment` ADD CONSTRAINT `comment_placement_placement_id_fk` FOREIGN KEY (`placement`) REFERENCES `placement`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `comment_collection` ON `comment` (`collection`);--> statement-breakpoint
CREATE INDEX `comment_section` ON `comment` (`section`);--> statement-breakpoint
CREATE INDEX `comment_placement` ON `comment` (`placement`);--> statement-breakpoint
CREATE INDEX `comment_team` ON `comment` (`team`,`id`);