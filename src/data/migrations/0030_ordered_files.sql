CREATE TABLE `ordered_file` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`person` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`asked` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`state` varchar(8) NOT NULL,
	`step` varchar(10) NOT NULL,
	`done` int NOT NULL DEFAULT 0,
	`total` int NOT NULL DEFAULT 0,
	`name` varchar(200),
	`type` varchar(100),
	`hash` varchar(64) character set ascii collate ascii_bin,
	`bytes` bigint,
	`problem` varchar(300),
	`created_at` datetime(3) NOT NULL,
	`until_` datetime(3) NOT NULL,
	CONSTRAINT `ordered_file_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `ordered_file_person` ON `ordered_file` (`person`,`collection`,`id`);--> statement-breakpoint
CREATE INDEX `ordered_file_hash` ON `ordered_file` (`hash`);--> statement-breakpoint
CREATE INDEX `ordered_file_until` ON `ordered_file` (`until_`);