"""The door of providers and gateways: what they send to a shop, and where they send its people back to."""
