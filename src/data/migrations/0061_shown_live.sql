ALTER TABLE `placement` ADD `shown_live` uuid;--> statement-breakpoint
CREATE INDEX `placement_live` ON `placement` (`shown_live`,`collection`);