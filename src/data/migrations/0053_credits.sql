CREATE TABLE `credit` (
	`collection` uuid NOT NULL,
	`lender` uuid NOT NULL,
	`title` varchar(200) NOT NULL,
	`team_name` varchar(120) NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`pairs` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`settled` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`asks` boolean NOT NULL DEFAULT true,
	`taken_at` datetime(3) NOT NULL,
	CONSTRAINT `credit_collection` PRIMARY KEY(`collection`)
);
--> statement-breakpoint
ALTER TABLE `credit` ADD CONSTRAINT `credit_collection_collection_id_fk` FOREIGN KEY (`collection`) REFERENCES `collection`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `credit_lender` ON `credit` (`lender`);--> statement-breakpoint
CREATE INDEX `credit_digest` ON `credit` (`digest`);