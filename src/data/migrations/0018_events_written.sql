-- When an event was written, by the clock of the database: what those who listen go by.
ALTER TABLE `event` ADD `written` datetime(3) DEFAULT current_timestamp(3) NOT NULL;--> statement-breakpoint
CREATE INDEX `event_written` ON `event` (`written`,`id`);