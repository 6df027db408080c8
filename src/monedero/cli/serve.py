"""`monedero serve`."""


def serve() -> None:
    """Later."""
