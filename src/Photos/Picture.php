<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Bench\Law\PhotoLaw;

/**
 * A picture as it is kept: a JPEG, turned upright, at most 1,600 px, with nothing in it but the picture; what came with it, the place
 * and the camera among them, is gone. One that fits as it is, as a tablet makes them, is not encoded a second time.
 */
final readonly class Picture
{
    /** Before it is reduced; more would take the memory of the whole pool. */
    private const MOST_PIXELS = 16_000_000;
    private const QUALITY = 88;
    private const SMALL_PX = 480;
    private const TYPES = [\IMAGETYPE_JPEG, \IMAGETYPE_PNG, \IMAGETYPE_WEBP];

    /** Of 255: what differs less from dot to dot shows nothing. */
    private const NOTHING = 3.0;
    private const LOOKED_AT = 24;

    private function __construct(public string $jpeg, public int $width, public int $height)
    {
    }

    /** Whether it is all of one colour: a lens in a pocket, a page of paint. Seen on a grid, by how far its dots lie from their mean. */
    public function showsNothing(): bool
    {
        $image = imagecreatefromstring($this->jpeg);
        $small = false === $image ? false : imagescale($image, self::LOOKED_AT, self::LOOKED_AT);
        if (false === $small) {
            return true;
        }
        $seen = [];
        for ($i = 0; $i < self::LOOKED_AT ** 2; ++$i) {
            $dot = (int) imagecolorat($small, $i % self::LOOKED_AT, intdiv($i, self::LOOKED_AT));
            $seen[] = 0.299 * ($dot >> 16 & 255) + 0.587 * ($dot >> 8 & 255) + 0.114 * ($dot & 255);
        }
        $mean = array_sum($seen) / count($seen);

        return sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $seen)) / count($seen)) < self::NOTHING;
    }

    /** @throws InvalidPicture */
    public static function of(string $bytes): self
    {
        $size = @getimagesizefromstring($bytes);
        if (false === $size || !in_array($size[2], self::TYPES, true)) {
            throw new InvalidPicture('That is no picture we can keep. Send a JPEG, a PNG or a WebP.');
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw new InvalidPicture(sprintf('A picture of %d × %d is too large. Send one of at most 16 megapixels.', $size[0], $size[1]));
        }
        $image = self::decoded($bytes);
        $upright = \IMAGETYPE_JPEG === $size[2] ? self::upright($image, $bytes) : $image;
        $bare = $upright === $image && max($size[0], $size[1]) <= PhotoLaw::MOST_PX ? BareJpeg::of($bytes) : null;
        if (null !== $bare) {
            return new self($bare, $size[0], $size[1]);
        }

        return self::encoded(self::fitted($upright, PhotoLaw::MOST_PX), self::QUALITY);
    }

    /**
     * That a file is a JPEG as we keep them, and whole.
     *
     * @throws InvalidPicture
     */
    public static function ensure(string $jpeg): void
    {
        $size = @getimagesizefromstring($jpeg);
        false !== $size && \IMAGETYPE_JPEG === $size[2] && max($size[0], $size[1]) <= PhotoLaw::MOST_PX || throw new InvalidPicture(
            sprintf('that is no JPEG of at most %d px.', PhotoLaw::MOST_PX),
        );
        self::decoded($jpeg);
    }

    /** The same for lists. */
    public static function small(string $jpeg): self
    {
        return self::encoded(self::fitted(self::decoded($jpeg), self::SMALL_PX), 80);
    }

    /** What breaks off or is garbled is refused: half a picture would be kept as a whole one. */
    private static function decoded(string $bytes): \GdImage
    {
        $image = str_starts_with($bytes, "\xFF\xD8") ? self::decodedJpeg($bytes) : @imagecreatefromstring($bytes);

        return false === $image ? throw new InvalidPicture('The picture is damaged or broke off. Send it again.') : $image;
    }

    /** Only what reads a file can be told not to make do with a piece of a JPEG. */
    private static function decodedJpeg(string $bytes): \GdImage|false
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'nk-photo-');
        file_put_contents($path, $bytes);
        $former = ini_set('gd.jpeg_ignore_warning', '0');
        $isWhole = true;
        set_error_handler(static function () use (&$isWhole): bool {
            $isWhole = false;

            return true;
        });
        try {
            $image = imagecreatefromjpeg($path);
        } finally {
            restore_error_handler();
            false === $former || ini_set('gd.jpeg_ignore_warning', $former);
            unlink($path);
        }

        return $isWhole ? $image : false;
    }

    /** A camera that was held on its side says so in the file. */
    private static function upright(\GdImage $image, string $bytes): \GdImage
    {
        $file = fopen('php://memory', 'r+');
        if (false === $file || !function_exists('exif_read_data')) {
            return $image;
        }
        fwrite($file, $bytes);
        rewind($file);
        $exif = @exif_read_data($file);
        $turns = [3 => 180, 6 => 270, 8 => 90];
        $by = $turns[is_array($exif) && is_int($exif['Orientation'] ?? null) ? $exif['Orientation'] : 0] ?? 0;
        $turned = 0 === $by ? $image : imagerotate($image, $by, 0);

        return false === $turned ? $image : $turned;
    }

    private static function fitted(\GdImage $image, int $most): \GdImage
    {
        [$wide, $high] = [imagesx($image), imagesy($image)];
        $by = min(1.0, $most / max($wide, $high));
        [$width, $height] = [max(1, (int) round($by * $wide)), max(1, (int) round($by * $high))];
        $paper = imagecreatetruecolor($width, $height);
        imagefill($paper, 0, 0, (int) imagecolorallocate($paper, 255, 255, 255));
        imagecopyresampled($paper, $image, 0, 0, 0, 0, $width, $height, $wide, $high);

        return $paper;
    }

    private static function encoded(\GdImage $image, int $quality): self
    {
        ob_start();
        imageinterlace($image, true);
        imagejpeg($image, null, $quality);

        return new self((string) ob_get_clean(), imagesx($image), imagesy($image));
    }
}
