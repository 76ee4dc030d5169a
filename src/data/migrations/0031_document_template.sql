CREATE TABLE `document_template` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`hash` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`name` varchar(200) NOT NULL,
	`added_by` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `document_template_id` PRIMARY KEY(`id`),
	CONSTRAINT `document_template_team_unique` UNIQUE(`team`)
);
--> statement-breakpoint
CREATE INDEX `document_template_hash` ON `document_template` (`hash`);