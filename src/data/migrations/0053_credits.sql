CREATE TABLE `credit` (
	`id` uuid NOT NULL,
	`team` uuid NOT NULL,
	`lender` uuid NOT NULL,
	`title` varchar(200) NOT NULL,
	`team_name` varchar(120) NOT NULL,
	`edition` int,
	`code` varchar(24) character set ascii collate ascii_bin NOT NULL,
	`digest` varchar(64) character set ascii collate ascii_bin NOT NULL,
	`pairs` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`settled` mediumtext character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`asks` boolean NOT NULL DEFAULT true,
	`taken_at` datetime(3) NOT NULL,
	CONSTRAINT `credit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `collection` ADD `credit` uuid;--> statement-breakpoint
ALTER TABLE `placement` ADD `credit` uuid;--> statement-breakpoint
ALTER TABLE `credit` ADD CONSTRAINT `credit_team_team_id_fk` FOREIGN KEY (`team`) REFERENCES `team`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `credit_team` ON `credit` (`team`);--> statement-breakpoint
CREATE INDEX `credit_lender` ON `credit` (`lender`,`team`);--> statement-breakpoint
CREATE INDEX `credit_digest` ON `credit` (`digest`);