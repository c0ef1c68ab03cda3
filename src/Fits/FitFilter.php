<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Symfony\Component\HttpFoundation\InputBag;

/** Which of the signed fits are wanted: on a vehicle, with somebody’s hand in it, of a kind of work, in a month; put away or not. */
final readonly class FitFilter
{
    /** @param string $month “2026-11”; empty for all */
    public function __construct(
        public string $vehicle = '', public string $person = '', public string $work = '', public string $month = '',
        public bool $isAway = false,
    ) {
    }

    /** @param InputBag<string> $query */
    public static function read(InputBag $query): self
    {
        $month = trim($query->getString('month'));

        return new self(
            trim($query->getString('vehicle')), trim($query->getString('person')), trim($query->getString('work')),
            1 === preg_match('/\A\d{4}-(0[1-9]|1[0-2])\z/', $month) ? $month : '', '' !== $query->getString('away'),
        );
    }

    public function isEmpty(): bool
    {
        return '' === $this->vehicle.$this->person.$this->work.$this->month && !$this->isAway;
    }

    /** @return array<string, string> as they stand in an address */
    public function parameters(): array
    {
        return array_filter([
            'vehicle' => $this->vehicle, 'person' => $this->person, 'work' => $this->work, 'month' => $this->month,
            'away' => $this->isAway ? '1' : '',
        ], static fn (string $value): bool => '' !== $value);
    }

    /** Where to begin: a person's fits are read in the order of that person's own list. */
    public function from(): string
    {
        return '' === $this->person ? 'fit f' : 'fit_hand h JOIN fit f ON f.id = h.fit_id';
    }

    /** The column the newest stand first by. */
    public function when(): string
    {
        return '' === $this->person ? 'f.signed_at' : 'h.at';
    }

    /** @return array{string, list<string>} a condition on what it begins with, and its parameters */
    public function where(): array
    {
        $where = ["f.status = 'signed'", 'f.archived = '.(int) $this->isAway];
        $parameters = [];
        if ('' !== $this->vehicle) {
            [$where[], $parameters[]] = ['f.vehicle_id = ?', $this->vehicle];
        }
        if ('' !== $this->person) {
            [$where[], $parameters[]] = ['h.person = ?', $this->person];
        }
        if ('' !== $this->work) {
            [$where[], $parameters[]] = ["f.title LIKE ? ESCAPE '\\'", '%'.addcslashes($this->work, '%_\\').'%'];
        }
        if ('' !== $this->month) {
            $next = (new \DateTimeImmutable($this->month.'-01'))->modify('+1 month')->format('Y-m-d');
            [$where[], $parameters[], $parameters[]] = [sprintf('%1$s >= ? AND %1$s < ?', $this->when()), $this->month.'-01', $next];
        }

        return [implode(' AND ', $where), $parameters];
    }
}
