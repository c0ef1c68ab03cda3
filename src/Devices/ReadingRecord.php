<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\Mapping as ORM;

/**
 * What one device sent in one go: samples as they came, what they were for, what was made of them. The samples of a
 * torque-angle reading are [degrees, N·m, ms], those of a temperature reading [s, °C]; of others see ReadingDocument.
 */
#[ORM\Entity]
#[ORM\Table(name: 'reading')]
#[ORM\Index(name: 'reading_step', columns: ['fit_id', 'step', 'id'])]
class ReadingRecord
{
    /**
     * @param list<list<float>> $samples
     * @param array<string, mixed> $task what was to be reached, as it was when the reading began
     * @param string $via how it came here where no device sent it: in a file, as rows, and by whom
     */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 26)]
        public readonly string $deviceId,
        #[ORM\Column(length: 120)]
        public readonly string $deviceName,
        #[ORM\Column(length: 16)]
        public readonly string $kind,
        #[ORM\Column(length: 26)]
        public readonly string $fitId,
        #[ORM\Column(length: 120)]
        public readonly string $step,
        #[ORM\Column(length: 120)]
        public readonly string $joint,
        #[ORM\Column]
        public readonly int $bolt,
        #[ORM\Column(type: 'json')]
        public array $task,
        #[ORM\Column(length: 120)]
        public readonly string $byName,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $takenAt,
        #[ORM\Column(type: 'json')]
        public array $samples = [],
        #[ORM\Column]
        public bool $done = false,
        #[ORM\Column(length: 8)]
        public string $verdict = '',
        #[ORM\Column(length: 40)]
        public string $finding = '',
        #[ORM\Column(length: 500)]
        public string $said = '',
        #[ORM\Column]
        public bool $marked = false,
        #[ORM\Column(length: 160, options: ['default' => ''])]
        public readonly string $via = '',
    ) {
    }

    public function taskNumber(string $name): float
    {
        $value = $this->task[$name] ?? 0.0;

        return is_numeric($value) ? (float) $value : 0.0;
    }

    /** @return array<string, float> all of it that is a number */
    public function taskNumbers(): array
    {
        return array_map(floatval(...), array_filter($this->task, is_numeric(...)));
    }

    public function taskText(string $name): string
    {
        $value = $this->task[$name] ?? '';

        return is_scalar($value) ? (string) $value : '';
    }

    /** Tells one state of a reading from the next: its samples so far, and whether it is over; empty where there is none. */
    public static function mark(?self $reading): string
    {
        return null === $reading ? '' : sprintf('%s-%d-%d', $reading->id, count($reading->samples), $reading->done ? 1 : 0);
    }
}
