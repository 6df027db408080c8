"""Ways of delivery: what they are, what one costs the buyer of an order, and on which days it comes."""
