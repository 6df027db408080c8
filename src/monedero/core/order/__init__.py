"""An order: one model of it for every view, and the table of what can be known about one."""
