"""A month of the shop's orders: what each route, plan and mix of plans would cost."""
