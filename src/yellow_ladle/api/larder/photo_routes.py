"""The photograph of a product's label."""

from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool

from yellow_ladle.api.dependencies import TheActor, TheBook, TheLedger, product_or_missing
from yellow_ladle.api.errors import Missing
from yellow_ladle.api.uploads import BODY, whole_body
from yellow_ladle.files.picture import MAX_BYTES
from yellow_ladle.store.file.photos import Photos
from yellow_ladle.store.kept_photos import drop_photo, keep_photo, photo_of

router = APIRouter(prefix="/products", tags=["larder"])

PICTURE = {"content": {"image/webp": {"schema": {"type": "string", "format": "binary"}}}}


@router.put("/{id}/photo", status_code=204, openapi_extra=BODY)
async def put_photo(id: str, request: Request, ledger: TheLedger, actor: TheActor) -> Response:
    """Keeps a PNG, JPEG or WebP picture of the label, drawn anew."""
    product_or_missing(ledger.now, id)
    content = await whole_body(request, MAX_BYTES)
    await run_in_threadpool(keep_photo, ledger, id, content, actor)
    return Response(status_code=204)


@router.get("/{id}/photo", response_class=Response, responses={200: PICTURE})
def photo(id: str, now: TheBook, ledger: TheLedger) -> Response:
    """The picture of a product's label."""
    product_or_missing(now, id)
    known = photo_of(now, id)
    content = None if known is None else Photos(ledger.path).get(known.picture)
    if content is None:
        raise Missing("picture of", id)
    return Response(content, media_type="image/webp")


@router.delete("/{id}/photo", status_code=204)
def take_photo_away(id: str, ledger: TheLedger, actor: TheActor) -> Response:
    """Takes the picture away."""
    product_or_missing(ledger.now, id)
    drop_photo(ledger, id, actor)
    return Response(status_code=204)
