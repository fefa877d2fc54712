"""Bar codes in a photograph, by zxing-cpp: EAN, UPC, QR, DataMatrix and GS1-128."""

from yellow_ladle.core.book.fault import BookRefused, Fault
from yellow_ladle.core.vocabulary.gs1_elements import Scanned, scanned
from yellow_ladle.files.picture import upright

MAX_SIDE = 2_400
NONE_FOUND = "No bar code was found. Take the picture again, closer, or type the number."


def codes_in(content: bytes) -> list[Scanned]:
    """Every code in a picture, each once. Raises BookRefused where there is none."""
    import zxingcpp  # it is big; who scans nothing does without

    picture = upright(content, MAX_SIDE)
    texts = [found.text for found in zxingcpp.read_barcodes(picture) if found.valid]
    if not texts:
        raise BookRefused([Fault("photo", NONE_FOUND)])
    return [scanned(text) for text in dict.fromkeys(texts)]
