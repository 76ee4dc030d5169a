CREATE TABLE `citation_style` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`style` varchar(140) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(200) NOT NULL,
	`xml` mediumtext NOT NULL,
	`added_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`removed_at` datetime(3),
	CONSTRAINT `citation_style_id` PRIMARY KEY(`id`),
	CONSTRAINT `citation_style_once` UNIQUE(`team`,`style`)
);
--> statement-breakpoint
ALTER TABLE `team` MODIFY COLUMN `citation_style` varchar(140) character set ascii collate ascii_bin NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE `collection` MODIFY COLUMN `citation_style` varchar(140) character set ascii collate ascii_bin NOT NULL DEFAULT '';