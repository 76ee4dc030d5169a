CREATE TABLE `archive_import` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin,
	`state` varchar(10) NOT NULL,
	`done` int NOT NULL DEFAULT 0,
	`total` int NOT NULL DEFAULT 0,
	`problem` varchar(300),
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `archive_import_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `archive_import_person` ON `archive_import` (`person`,`id`);--> statement-breakpoint
CREATE INDEX `archive_import_hash` ON `archive_import` (`hash`);