"""The HTTP API and the pages: routes and schemas per feature, one map from refusal to answer."""
