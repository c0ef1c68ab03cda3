<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Find;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\Garage;

/** Finds work, jobs, vehicles, items and joints by letters; a plain query on the words the database keeps of them. */
final readonly class FindBook
{
    /** Fewer letters than this are no piece the index knows. */
    private const LEAST = 3;
    private const OF_A_KIND = 8;
    /** With one letter or two, only the newest so many are looked at. */
    private const NEWEST = 400;

    public function __construct(private Connection $db, private FitBook $fits, private Garage $garage)
    {
    }

    /** @return list<Hit> open fits first; never more than eight of a kind */
    public function find(string $words): array
    {
        $hits = [];
        foreach ($this->fits->open() as $fit) {
            $hit = new Hit($fit->vehicle->short.': '.$fit->title, 'fit, '.$fit->status->value, 'fit_sheet', ['id' => $fit->id]);
            $hit->speaksOf($words, $fit->vehicle->name.' '.$fit->vehicle->which) && $hits[] = $hit;
        }
        foreach (['job', 'vehicle', 'work', 'item', 'joint'] as $kind) {
            foreach ($this->rows($kind, $words) as $row) {
                $text = static fn (string $key): string => is_scalar($row[$key]) ? (string) $row[$key] : '';
                $hits[] = $this->hit($kind, $text('ref'), $text('label'), $text('detail'));
            }
        }

        return $hits;
    }

    /** @return list<array<string, mixed>> */
    private function rows(string $kind, string $words): array
    {
        $pieces = preg_split('/\s+/', mb_strtolower(trim($words)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $long = array_filter($pieces, static fn (string $piece): bool => mb_strlen($piece) >= self::LEAST);
        $short = array_diff($pieces, $long);
        $like = implode('', array_map(static fn (): string => " AND w.words LIKE ? ESCAPE '\\'", $short));
        $parameters = array_map(static fn (string $piece): string => '%'.addcslashes($piece, '%_\\').'%', array_values($short));
        if ([] === $long) {
            return $this->db->fetchAllAssociative(sprintf(
                'SELECT ref, label, detail FROM (SELECT * FROM find_word WHERE kind = ? ORDER BY ref DESC LIMIT %d) w WHERE 1%s
                    ORDER BY ref DESC LIMIT %d', self::NEWEST, $like, self::OF_A_KIND,
            ), [$kind, ...$parameters]);
        }
        $match = implode(' AND ', array_map(static fn (string $piece): string => '"'.strtr($piece, ['"' => '""']).'"', $long));

        return $this->db->fetchAllAssociative(sprintf(
            'SELECT w.ref, w.label, w.detail FROM find_text t JOIN find_word w ON w.id = t.rowid WHERE t.words MATCH ? AND w.kind = ?%s
                ORDER BY t.rowid DESC LIMIT %d', $like, self::OF_A_KIND,
        ), [$match, $kind, ...$parameters]);
    }

    private function hit(string $kind, string $ref, string $label, string $detail): Hit
    {
        [$vehicle, $thing] = explode('/', $ref, 2) + [1 => ''];

        return match ($kind) {
            'joint' => new Hit(
                $label, 'joint of the '.$detail, 'vehicle', ['id' => $vehicle, '_fragment' => 'joint-'.$thing],
                ($this->garage->get($vehicle)->sheet()->joints[$thing] ?? null)?->whole() ?? '',
            ),
            'job' => new Hit($label, 'fit, '.$detail, 'fit_sheet', ['id' => $ref]),
            'work' => new Hit($label, 'fits like it', 'fits', ['vehicle' => $vehicle, 'work' => $thing]),
            'vehicle' => new Hit($label, $detail, 'vehicle', ['id' => $ref]),
            default => new Hit($label, $kind.' of the '.$detail, 'vehicle', ['id' => $vehicle, '_fragment' => $kind.'-'.$thing]),
        };
    }
}
