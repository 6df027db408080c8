"""The doors of the application, and the marks by which a request is known to have come through one.

A route belongs to a door by its class; so whoever refuses a request before its handler runs knows who asks as well.
"""

from fastapi.routing import APIRoute, APIRouter
from starlette.routing import BaseRoute, Match
from starlette.types import Scope


class BuyersRoute(APIRoute):
    """A route that buyers' pages ask: what is refused there is worded in the buyers' catalogue."""


def route_of(scope: Scope) -> BaseRoute | None:
    """The route that answers a request, also before it was found by the router; None where there is none."""
    held: BaseRoute | None = scope.get("route")
    if held is not None or "app" not in scope:
        return held
    routers: list[APIRouter] = scope["app"].state.routers
    routes = (route for router in routers for route in router.routes)
    return next((route for route in routes if route.matches(scope)[0] is Match.FULL), None)
