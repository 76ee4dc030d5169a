CREATE TABLE `reading_comfort` (
	`person` uuid NOT NULL,
	`comfort` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `reading_comfort_person` PRIMARY KEY(`person`)
);
--> statement-breakpoint
CREATE TABLE `reading_place` (
	`person` uuid NOT NULL,
	`resource` uuid NOT NULL,
	`place` int NOT NULL,
	`length` int NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `reading_place_person_resource_pk` PRIMARY KEY(`person`,`resource`)
);
--> statement-breakpoint
ALTER TABLE `reading_comfort` ADD CONSTRAINT `reading_comfort_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reading_place` ADD CONSTRAINT `reading_place_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `reading_place_resource` ON `reading_place` (`resource`);