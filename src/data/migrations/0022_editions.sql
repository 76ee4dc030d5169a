CREATE TABLE `edition` (
	`id` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`number` int,
	`words` varchar(300) NOT NULL DEFAULT '',
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`items` int NOT NULL,
	`person` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`withdrawn_at` datetime(3),
	CONSTRAINT `edition_id` PRIMARY KEY(`id`),
	CONSTRAINT `edition_number` UNIQUE(`collection`,`number`)
);
--> statement-breakpoint
CREATE TABLE `edition_file` (
	`edition` uuid NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	CONSTRAINT `edition_file_edition_hash_pk` PRIMARY KEY(`edition`,`hash`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `shows` varchar(8) DEFAULT 'living' NOT NULL;--> statement-breakpoint
ALTER TABLE `edition` ADD CONSTRAINT `edition_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `edition_file` ADD CONSTRAINT `edition_file_edition_edition_id_fk` FOREIGN KEY (`edition`) REFERENCES `edition`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `edition_digest` ON `edition` (`digest`);--> statement-breakpoint
CREATE INDEX `edition_file_hash` ON `edition_file` (`hash`);