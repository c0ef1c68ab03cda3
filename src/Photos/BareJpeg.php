<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

/**
 * A JPEG without what does not make the picture: its tables, its frame and its scans stay, byte for byte; place, camera, notes,
 * thumbnails, colour profiles and what lies behind the end go. Markers after ITU-T T.81, annex B.
 */
final readonly class BareJpeg
{
    /** With the plain JFIF head: version 1.1, square pixels, no thumbnail. */
    private const START = "\xFF\xD8\xFF\xE0\x00\x10JFIF\x00\x01\x01\x00\x00\x01\x00\x01\x00\x00";
    private const END = "\xFF\xD9";
    private const SCAN = 0xDA;
    /** Tables of quantities and codes, the restart interval, a baseline or a progressive frame. */
    private const PLAIN = [0xDB, 0xC4, 0xDD, 0xC0, 0xC1, 0xC2];
    /** What programs put beside the picture, APP0 to APP13, and notes. */
    private const BESIDE = [0xE0, 0xE1, 0xE2, 0xE3, 0xE4, 0xE5, 0xE6, 0xE7, 0xE8, 0xE9, 0xEA, 0xEB, 0xEC, 0xED, 0xFE];

    /** Null for what is none, or is built in a way that needs more than that to be read: four colours, colours of another model. */
    public static function of(string $bytes): ?string
    {
        if (!str_starts_with($bytes, "\xFF\xD8")) {
            return null;
        }
        [$at, $bare] = [2, self::START];
        while (null !== $segment = self::segment($bytes, $at)) {
            [$marker, $length] = $segment;
            $isScan = self::SCAN === $marker;
            if (!$isScan && !in_array($marker, self::PLAIN, true) && !in_array($marker, self::BESIDE, true)) {
                return null;
            }
            $end = $isScan ? self::behindScan($bytes, $at + 2 + $length) : $at + 2 + $length;
            $bare .= in_array($marker, self::BESIDE, true) ? '' : substr($bytes, $at, $end - $at);
            $at = $end;
            if (self::END === substr($bytes, $at, 2)) {
                return $bare.self::END;
            }
        }

        return null;
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
