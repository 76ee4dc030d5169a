CREATE TABLE `guest` (
	`person` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`role` varchar(16) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `guest_person_collection_pk` PRIMARY KEY(`person`,`collection`)
);
--> statement-breakpoint
ALTER TABLE `invitation` ADD `collection` uuid;--> statement-breakpoint
ALTER TABLE `guest` ADD CONSTRAINT `guest_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `guest_of` ON `guest` (`collection`);