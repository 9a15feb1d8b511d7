ALTER TABLE `shop` DROP COLUMN `step_rule`;--> statement-breakpoint
ALTER TABLE `shop` DROP COLUMN `tap_names`;--> statement-breakpoint
ALTER TABLE `shop` DROP COLUMN `formed_looser`;