<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange\Form;

use Symfony\Component\HttpFoundation\File\UploadedFile;

/** What stands in the form that takes a fit in: a file, or what stands in one. */
final class Import
{
    public ?UploadedFile $file = null;
    public string $json = '';

    public function text(): string
    {
        return null !== $this->file && $this->file->isValid() ? $this->file->getContent() : $this->json;
    }
}
