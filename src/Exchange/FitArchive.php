<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Photos\InvalidPicture;
use NimbleKnuckle\App\Photos\PhotoFiles;
use NimbleKnuckle\App\Photos\Picture;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Document\InvalidDocument;

/** A fit and its pictures in one ZIP: fit.json as FitDocument writes it, and photos/SHA-256.jpg. The JSON alone reads as well. */
final readonly class FitArchive
{
    public const DOCUMENT = 'fit.json';
    /** Of all that is in it, unpacked. */
    private const MOST_BYTES = 400_000_000;
    private const MOST_ONE = 6_000_000;
    private const MOST_DOCUMENT = 40_000_000;
    private const PHOTO = '~\Aphotos/([0-9a-f]{64})\.jpg\z~';

    public function __construct(private FitDocument $document, private EventLog $log, private PhotoFiles $files)
    {
    }

    /** @return string where the ZIP lies; whoever asked for it takes it away */
    public function write(FitRecord $record): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'nk-fit-');
        $zip = new \ZipArchive();
        true === $zip->open($path, \ZipArchive::OVERWRITE) || throw new \RuntimeException('The ZIP could not be begun: is the disk full?');
        $zip->addFromString(self::DOCUMENT, $this->document->write($record));
        foreach ($this->hashes($record->id) as $hash) {
            $name = sprintf('photos/%s.jpg', $hash);
            $zip->addFile($this->files->path($hash), $name);
            // A JPEG does not get smaller.
            $zip->setCompressionName($name, \ZipArchive::CM_STORE);
        }
        $zip->close() || throw new \RuntimeException('The ZIP could not be written: is the disk full?');

        return $path;
    }

    public static function isZip(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04");
    }

    /**
     * Puts the pictures of a ZIP where pictures lie, each only if it is one and goes by its own hash.
     *
     * @return string the document
     *
     * @throws InvalidDocument
     */
    public function unpack(string $path): string
    {
        $zip = new \ZipArchive();
        true === $zip->open($path, \ZipArchive::RDONLY) || throw InvalidDocument::at('', 'this ZIP is damaged. Export the fit again.');
        $total = 0;
        $photos = [];
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $entry = $zip->statIndex($i) ?: ['name' => '', 'size' => 0];
            [$name, $size] = [(string) $entry['name'], (int) $entry['size']];
            $total += $size;
            $total <= self::MOST_BYTES || throw InvalidDocument::at('', 'there is more in this ZIP than a fit can have.');
            $isPhoto = 1 === preg_match(self::PHOTO, $name, $found);
            $isPhoto || self::DOCUMENT === $name || throw InvalidDocument::at(
                '', sprintf('“%s” does not belong into the ZIP of a fit.', mb_scrub(mb_strcut($name, 0, 60))),
            );
            $size <= ($isPhoto ? self::MOST_ONE : self::MOST_DOCUMENT) || throw InvalidDocument::at(
                '', sprintf('“%s” is too large.', $name),
            );
            $isPhoto && $photos[$i] = $found[1];
        }
        $document = $zip->getFromName(self::DOCUMENT);
        is_string($document) || throw InvalidDocument::at('', sprintf('there is no %s in this ZIP.', self::DOCUMENT));
        foreach ($photos as $i => $hash) {
            $this->keep($hash, (string) $zip->getFromIndex($i));
        }
        $zip->close();

        return $document;
    }

    private function keep(string $hash, string $bytes): void
    {
        try {
            hash('sha256', $bytes) === $hash || throw new InvalidPicture('it was changed after it was kept.');
            Picture::ensure($bytes);
            $this->files->keep($bytes);
        } catch (InvalidPicture $e) {
            throw InvalidDocument::at('photos', sprintf('%s…: %s', substr($hash, 0, 8), $e->getMessage()));
        }
    }

    /** @return list<string> of pictures that are here, taken back ones too, as the log still names them */
    private function hashes(string $fitId): array
    {
        $hashes = [];
        foreach ($this->log->of($fitId) as $event) {
            EventType::PhotoTaken !== $event->type || $hashes[$event->string('hash')] = true;
        }

        return array_values(array_filter(array_keys($hashes), $this->files->has(...)));
    }
}
