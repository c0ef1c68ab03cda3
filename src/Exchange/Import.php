<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\Core\Document\InvalidDocument;
use Symfony\Component\HttpFoundation\File\UploadedFile;

/** What stands in the form that takes a fit in: a file, or what stands in one. */
final class Import
{
    public ?UploadedFile $file = null;
    public string $json = '';

    /**
     * The document; of a ZIP, once its pictures are where pictures lie.
     *
     * @throws InvalidDocument
     */
    public function text(FitArchive $archive): string
    {
        if (null === $this->file || !$this->file->isValid()) {
            return $this->json;
        }
        $start = (string) file_get_contents($this->file->getPathname(), length: 4);

        return FitArchive::isZip($start) ? $archive->unpack($this->file->getPathname()) : $this->file->getContent();
    }
}
