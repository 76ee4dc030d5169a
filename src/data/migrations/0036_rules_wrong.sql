ALTER TABLE `rule` ADD `unless_` mediumtext character set utf8mb4 collate utf8mb4_bin;--> statement-breakpoint
ALTER TABLE `rule_hit` ADD `placed_in` uuid;--> statement-breakpoint
ALTER TABLE `rule_hit` ADD `tagged` mediumtext character set utf8mb4 collate utf8mb4_bin;--> statement-breakpoint
CREATE INDEX `rule_hit_of_rule` ON `rule_hit` (`rule`,`state`,`id`);