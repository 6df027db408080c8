"""The tables as peewee sees them. They belong to no database: every query names the one it runs on."""

from peewee import BlobField, BooleanField, CharField, CompositeKey, IntegerField, Model, TextField


class ShopRow(Model):
    """The shop, one row."""

    id = IntegerField(primary_key=True)
    version = IntegerField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "shop"


class CheckoutRow(Model):
    """The checkout of a storefront as it is drafted."""

    storefront = CharField(primary_key=True)
    version = IntegerField()
    body = TextField()
    place = IntegerField(default=0)

    class Meta:
        """The table of these rows."""

        table_name = "checkout"


class ProfileRow(Model):
    """The order profile, one row."""

    id = IntegerField(primary_key=True)
    version = IntegerField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "profile"


class AssumptionsRow(Model):
    """The assumptions that the owner typed, one row."""

    id = IntegerField(primary_key=True)
    version = IntegerField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "assumptions"


class ProviderRow(Model):
    """Holds what is known of a provider besides its prices."""

    id = CharField(primary_key=True)
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "provider"


class RateCardRow(Model):
    """A rate card of one provider from one day on (empty: always)."""

    id = IntegerField(primary_key=True)
    provider = CharField()
    valid_from = CharField()
    version = IntegerField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "rate_card"


class AccountRow(Model):
    """An account with one provider in one mode, by its own id."""

    id = IntegerField(primary_key=True)
    account = CharField()
    provider = CharField()
    mode = CharField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "account"


class SealedRow(Model):
    """Something that only the key beside the database opens."""

    name = CharField(primary_key=True)
    version = IntegerField()
    body = BlobField()

    class Meta:
        """The table of these rows."""

        table_name = "sealed"


class PaperRow(Model):
    """A paper, sealed; `order_token` is that of the order whose transfer receipt it is."""

    id = CharField(primary_key=True)
    kind = CharField()
    name = CharField()
    media_type = CharField()
    size = IntegerField()
    digest = CharField()
    added_at = CharField()
    order_token = CharField(null=True)
    body = BlobField()

    class Meta:
        """The table of these rows."""

        table_name = "paper"


class ExchangeRow(Model):
    """Something that was said between the shop and a gateway; `message` is the id of a notification."""

    id = IntegerField(primary_key=True)
    account = CharField()
    mode = CharField()
    at = CharField()
    incoming = BooleanField()
    message = CharField(null=True)
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "exchange"


class EditionRow(Model):
    """A published state; triggers keep it from changing."""

    id = IntegerField(primary_key=True)
    published_at = CharField()
    storefront = CharField()
    mode = CharField()
    number = IntegerField()
    note = CharField()
    actor = CharField()
    of_edition = IntegerField(null=True)
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "edition"


class RehearsalRow(Model):
    """The evidence of one case of a rehearsal with one content; what was played later has a higher id."""

    id = IntegerField(primary_key=True)
    storefront = CharField()
    case_id = CharField()
    fingerprint = CharField()
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "rehearsal"


class PlannedRow(Model):
    """An edition that is to be published from a moment on, one for each storefront."""

    storefront = CharField(primary_key=True)
    at = CharField()
    note = CharField()
    planned_at = CharField()
    forbade = TextField()
    stopped = TextField(null=True)
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "planned_edition"


class AcceptanceRow(Model):
    """The reason for which a warning of the list before publishing is accepted."""

    storefront = CharField()
    item = CharField()
    reason = TextField()
    actor = CharField()
    at = CharField()

    class Meta:
        """The table of these rows."""

        table_name = "acceptance"
        primary_key = CompositeKey("storefront", "item")


class PauseRow(Model):
    """A storefront that takes no orders for now."""

    storefront = CharField(primary_key=True)
    since = CharField()
    actor = CharField()
    opens_on = CharField(null=True)
    said = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "pause"


class OrderRow(Model):
    """The record of an order; `buyer` knows a buyer who comes again, `due_at` when it is looked at again, if ever."""

    id = IntegerField(primary_key=True)
    mode = CharField()
    number = IntegerField()
    token = CharField()
    version = IntegerField()
    buyer = CharField()
    state = CharField()
    due_at = CharField(null=True)
    body = TextField()

    class Meta:
        """The table of these rows."""

        table_name = "order_record"


class MessageRow(Model):
    """A message to a buyer."""

    id = IntegerField(primary_key=True)
    order_token = CharField()
    body = TextField()
    mode = CharField()

    class Meta:
        """The table of these rows."""

        table_name = "message"


class PictureRow(Model):
    """A picture that buyers see, encoded anew; `id` is made from its bytes."""

    id = CharField(primary_key=True)
    media_type = CharField()
    width = IntegerField()
    height = IntegerField()
    body = BlobField()

    class Meta:
        """The table of these rows."""

        table_name = "picture"
