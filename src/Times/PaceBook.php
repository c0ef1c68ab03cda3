<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Times;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\Core\Sheet\Pace\Paces;
use NimbleKnuckle\Core\Times\Tally;
use Symfony\Contracts\Service\ResetInterface;

/** How long steps take here, for planning: by everybody, or by one person where that one has done it often enough. */
final class PaceBook implements ResetInterface
{
    /** Jobs of one person, from which only those count. */
    private const OWN = 5;

    /** @var array<string, array<string, Tally>>|null step => person => */
    private ?array $tallies = null;

    public function __construct(private readonly Connection $db)
    {
    }

    /** @param string $person by name; empty for everybody */
    public function paces(string $person = ''): Paces
    {
        $paces = [];
        foreach ($this->tallies() as $step => $people) {
            $own = $people[$person] ?? null;
            $paces[$step] = null !== $own && $own->n >= self::OWN ? $own : self::all($people);
        }

        return new Paces($paces);
    }

    /** @return list<string> by name, of whom there is a time */
    public function people(): array
    {
        $people = array_keys(array_merge([], ...array_values($this->tallies())));
        sort($people);

        return array_map(strval(...), $people);
    }

    /** @param array<string, Tally> $people */
    public static function all(array $people): Tally
    {
        return array_reduce($people, static fn (Tally $sum, Tally $one): Tally => $sum->and($one), new Tally(0, 0.0, 0.0));
    }

    /** @return array<string, array<string, Tally>> step => person => */
    public function tallies(): array
    {
        if (null === $this->tallies) {
            $this->tallies = [];
            $rows = $this->db->fetchAllNumeric('SELECT step, person, jobs, total, squares FROM pace WHERE jobs > 0');
            foreach ($rows as [$step, $person, $jobs, $total, $squares]) {
                is_string($step) && is_string($person) && is_numeric($jobs) && is_numeric($total) && is_numeric($squares)
                    && $this->tallies[$step][$person] = new Tally((int) $jobs, (float) $total, (float) $squares);
            }
        }

        return $this->tallies;
    }

    public function reset(): void
    {
        $this->tallies = null;
    }
}
