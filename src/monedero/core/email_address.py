"""An e-mail address: what a mail server could be given. Whether anybody reads there is not asked.

Source: RFC 5322 and RFC 6531, as the package email-validator reads them.

>>> email_address(" Owner@Cabonoite.example ")
'Owner@cabonoite.example'
>>> email_address("nobody")
Traceback (most recent call last):
...
monedero.core.errors.InvalidInput: email-text email='nobody'
"""

from email_validator import EmailNotValidError, validate_email

from monedero.core.errors import FaultCode, refuse


def email_address(text: str) -> str:
    """An address with its domain in lower case."""
    try:
        return validate_email(text.strip(), check_deliverability=False).normalized
    except EmailNotValidError as wrong:
        raise refuse(FaultCode.EMAIL_TEXT, "email", text[:80]) from wrong
