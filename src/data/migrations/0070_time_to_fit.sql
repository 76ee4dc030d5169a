ALTER TABLE `collection` ADD `reading_pace` int;--> statement-breakpoint
ALTER TABLE `placement` ADD `task_minutes` int;--> statement-breakpoint
ALTER TABLE `placement` ADD `must_stay` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `section` ADD `beyond` boolean DEFAULT false NOT NULL;