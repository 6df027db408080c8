"""The letter that carries a code to a phone."""

from monedero.wording.catalogue import say


def write_code(sender: str, code: str) -> str:
    """A code as a sender sends it."""
    return say("code-letter", sender=sender, code=code)
