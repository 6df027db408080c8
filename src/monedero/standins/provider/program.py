"""The simulated provider as one program: it plays every invented provider, on one clock, with one memory."""

from monedero.standins.provider.courier import Courier, Post
from monedero.standins.provider.merchants import Merchants
from monedero.standins.provider.paying import Payments
from monedero.standins.provider.reviewing import Reviews
from monedero.standins.provider.world import World

MOUNTED_AT = "/simulated-provider"
CONTRACT_AT = "/simulated-provider-contract"


class SimulatedProvider:
    """Everything that is played for one shop."""

    def __init__(self, world: World, post: Post) -> None:
        """`post` carries notifications to the shop."""
        self.world = world
        self.letters = world.letters
        self.merchants = Merchants(world)
        self.reviews = Reviews(world, self.merchants)
        self.courier = Courier(world, self.merchants, post)
        self.payments = Payments(world, self.merchants, self.courier)

    def tick(self) -> None:
        """Let everything happen whose moment has come, and carry what is due."""
        self.reviews.tick()
        self.payments.tick()
        self.courier.carry()
