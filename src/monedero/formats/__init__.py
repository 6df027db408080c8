"""Files and other bytes to values of the core, and back. No input or output of its own."""
