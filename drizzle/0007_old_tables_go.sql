DROP TABLE `job_holes`;--> statement-breakpoint
DROP TABLE `layout_ticks`;--> statement-breakpoint
DROP TABLE `punch_marks`;