-- How a collection was at a time, from before which its events have been cleared.
CREATE TABLE `snapshot` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`collection` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`state` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	CONSTRAINT `snapshot_id` PRIMARY KEY(`id`),
	CONSTRAINT `snapshot_of` UNIQUE(`collection`,`at`)
);
