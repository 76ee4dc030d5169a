ALTER TABLE `invitation` ADD `address` varchar(255) character set utf8mb4 collate utf8mb4_bin;--> statement-breakpoint
ALTER TABLE `invitation` ADD `most` int;--> statement-breakpoint
ALTER TABLE `invitation` ADD `used` int DEFAULT 0 NOT NULL;