"""Ready: one list of what stands between a checkout and real buyers."""
