CREATE TABLE `last_visit` (
	`person` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `last_visit_person_collection_pk` PRIMARY KEY(`person`,`collection`)
);
--> statement-breakpoint
ALTER TABLE `last_visit` ADD CONSTRAINT `last_visit_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `event_in` ON `event` (`collection`,`written`,`id`);