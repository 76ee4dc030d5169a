CREATE TABLE `text_picture` (
	`resource` uuid NOT NULL,
	`number` int NOT NULL,
	`at` int NOT NULL,
	`no` int NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`alt` text NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	CONSTRAINT `text_picture_resource_number_no_pk` PRIMARY KEY(`resource`,`number`,`no`)
);
--> statement-breakpoint
ALTER TABLE `text_picture` ADD CONSTRAINT `text_picture_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `text_picture_hash` ON `text_picture` (`hash`);