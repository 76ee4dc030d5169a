ALTER TABLE `notice_wish` ADD `zone` varchar(64) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `notice_wish` ADD `quiet_from` int;--> statement-breakpoint
ALTER TABLE `notice_wish` ADD `quiet_until` int;