CREATE TABLE `person_page` (
	`person` uuid NOT NULL,
	`open` boolean NOT NULL DEFAULT false,
	`words` text NOT NULL DEFAULT (''),
	`picture` boolean NOT NULL DEFAULT false,
	`left_out` json NOT NULL,
	CONSTRAINT `person_page_person` PRIMARY KEY(`person`)
);
--> statement-breakpoint
ALTER TABLE `team` ADD `page_picture` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `person_page` ADD CONSTRAINT `person_page_person_person_id_fk` FOREIGN KEY (`person`) REFERENCES `person`(`id`) ON DELETE cascade ON UPDATE no action;