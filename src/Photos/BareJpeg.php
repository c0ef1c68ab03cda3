<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

/**
 * A JPEG with nothing in it but the picture, as a browser's canvas makes one: the plain JFIF head, tables, one frame, and nothing behind
 * the end. No place, no camera, no note, no thumbnail, no colours of its own. Markers after ITU-T T.81, annex B.
 */
final readonly class BareJpeg
{
    private const START = "\xFF\xD8";
    private const END = "\xFF\xD9";
    private const SCAN = 0xDA;
    /** Tables of quantities and codes, the restart interval, a baseline or a progressive frame. */
    private const PLAIN = [0xDB, 0xC4, 0xDD, 0xC0, 0xC1, 0xC2];
    private const JFIF = 0xE0;
    /** The head without a thumbnail, its length included. */
    private const JFIF_BYTES = 16;

    public static function is(string $bytes): bool
    {
        if (!str_starts_with($bytes, self::START) || !str_ends_with($bytes, self::END)) {
            return false;
        }
        $at = 2;
        while (null !== $segment = self::segment($bytes, $at)) {
            [$marker, $length] = $segment;
            $isHead = self::JFIF === $marker && 2 === $at && self::JFIF_BYTES === $length && "JFIF\0" === substr($bytes, $at + 4, 5);
            if (!$isHead && self::SCAN !== $marker && !in_array($marker, self::PLAIN, true)) {
                return false;
            }
            $at += 2 + $length;
            $at = self::SCAN === $marker ? self::behindScan($bytes, $at) : $at;
            if (self::END === substr($bytes, $at, 2)) {
                return $at + 2 === strlen($bytes);
            }
        }

        return false;
    }

    /** @return array{int, int}|null its marker, and its length in bytes without the marker */
    private static function segment(string $bytes, int $at): ?array
    {
        $head = substr($bytes, $at, 4);
        if (4 !== strlen($head) || "\xFF" !== $head[0]) {
            return null;
        }
        $length = 256 * ord($head[2]) + ord($head[3]);

        return $length < 2 ? null : [ord($head[1]), $length];
    }

    /** Where the next marker stands: a stuffed byte and a restart belong to the scan. */
    private static function behindScan(string $bytes, int $at): int
    {
        while (false !== $at = strpos($bytes, "\xFF", $at)) {
            $next = ord($bytes[$at + 1] ?? "\0");
            if (0x00 !== $next && !($next >= 0xD0 && $next <= 0xD7)) {
                return $at;
            }
            $at += 2;
        }

        return strlen($bytes);
    }
}
