"""The sheet as a PDF with selectable text and only Feder's own fonts."""

from feder.core.numbers.errors import FederError


class NoPdf(FederError):
    """The libraries for PDF are not on this machine; the message says what to install."""

    code = "no pdf"

    def __init__(self) -> None:
        super().__init__(
            "PDF needs Debian's libpango-1.0-0 and libpangoft2-1.0-0; printing from the browser works without",
            key="pdf",
        )


def pdf_of(html: str) -> bytes:
    """A page of HTML as PDF; loaded only when asked for, since it takes seconds.

    Raises:
        NoPdf: Pango is not installed.
    """
    try:
        from weasyprint import HTML
        from weasyprint.text.fonts import FontConfiguration
        from weasyprint.urls import URLFetcher
    except OSError as error:
        raise NoPdf from error
    files_only = URLFetcher(allowed_protocols=("file",))
    made: bytes = HTML(string=html, url_fetcher=files_only).write_pdf(font_config=FontConfiguration())
    return made
