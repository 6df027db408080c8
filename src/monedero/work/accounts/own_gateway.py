"""A gateway of the shop's own among the providers: it asks nothing, and is connected by its credentials.

What it carries and what that costs is said by a rate card of the same id, as for any provider.
"""

from collections.abc import Sequence

from slugify import slugify

from monedero.core.errors import Conflict, Fault, FaultCode
from monedero.core.provider import ConnectBy, Contract, CredentialField, ProviderFacts
from monedero.store import Store
from monedero.work.accounts.hosts import Hosts

ABOUT = "A gateway of your own, which keeps the contract of docs/gateway.md."
# Views beside the sheets of providers stand under these names.
TAKEN = ("connected", "letters", "papers")
FOUND_AT = "Where you keep the credentials of your gateway."


def put_gateway(store: Store, hosts: Hosts, name: str, address: str, parts: Sequence[str]) -> ProviderFacts:
    """Put a gateway in; one whose name is taken by another provider is refused, the same address is named anew.

    An address that is not public, and not among the allowed `hosts`, is refused.
    """
    plain = _id_of(name, "gateway")
    id = f"{plain}-gateway" if plain in TAKEN else plain
    known = store.providers.all().get(id)
    if known is not None and known.gateway is None:
        raise Conflict(Fault(FaultCode.ACCOUNT_HELD, "name", name))
    fields = [
        CredentialField(id=_id_of(part, "key"), label=part, found_at=FOUND_AT) for part in dict.fromkeys(parts)
    ]
    facts = ProviderFacts(
        id=id,
        name=name,
        about=ABOUT,
        contract=Contract.OWN_CONTRACT,
        review_days=0,
        connects=ConnectBy.CREDENTIALS,
        credentials=fields,
        gateway=address,
    )
    hosts.check(facts.gateway or "")
    store.providers.put(facts)
    return facts


def _id_of(name: str, otherwise: str) -> str:
    return slugify(name, max_length=50) or otherwise
