ALTER TABLE `notice` MODIFY COLUMN `comment` uuid;--> statement-breakpoint
ALTER TABLE `placement` ADD `asked_of` uuid;--> statement-breakpoint
ALTER TABLE `placement` ADD `asked_by` uuid;--> statement-breakpoint
ALTER TABLE `placement` ADD `asked_until` varchar(10) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `notice` ADD `subject` uuid;--> statement-breakpoint
ALTER TABLE `notice` ADD CONSTRAINT `notice_about` UNIQUE(`person`,`kind`,`subject`);--> statement-breakpoint
CREATE INDEX `placement_asked` ON `placement` (`asked_of`);