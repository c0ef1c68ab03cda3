<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Causes;

use NimbleKnuckle\Core\Document\Node;

/** Something that is looked at or measured: how, in how many minutes, and how likely each answer is under each cause. */
final readonly class CauseCheck
{
    public const ELSE = 'else';
    private const SUMS = 0.01;

    /** @var non-empty-list<string> ids, in order */
    public array $answers;
    /** @var non-empty-array<string, string> answer => in words */
    public array $labels;
    /** What is read, where it is measured. */
    public ?CauseScale $scale;

    /**
     * @param array{non-empty-array<string, string>, ?CauseScale} $given answer => in words, and the readings they stand for
     * @param array<string, non-empty-list<float>> $chances cause, or “else” => of each answer
     * @param string $group of checks that depend on one another; empty for none
     * @param string $sum that helps to answer it
     */
    private function __construct(
        public string $id, public string $ask, public string $how, public float $minutes, public string $group, array $given,
        public array $chances, public string $sum,
    ) {
        [$this->labels, $this->scale] = $given;
        $this->answers = array_keys($this->labels);
    }

    /** @param list<string> $causes ids there are */
    public static function read(Node $node, array $causes): self
    {
        $minutes = $node->float('minutes');
        $minutes > 0.0 || throw $node->refuse('minutes', 'a check takes more than nothing.');
        $labels = [];
        foreach ($node->nodes('answers') as $answer) {
            $labels[$answer->string('id')] = $answer->string('label', $answer->string('id'));
        }
        count($labels) >= 2 || throw $node->refuse('answers', 'a check has two answers or more.');

        return new self(
            $node->string('id'), $node->string('ask', $node->string('id')), $node->string('how', ''), $minutes,
            $node->string('group', ''),
            [$labels, $node->has('reads') ? CauseScale::read($node) : null],
            self::chances($node, $causes, count($labels)), $node->string('sum', ''),
        );
    }

    /**
     * Of each answer under a cause, with a little left for an answer that was wrong.
     *
     * @return non-empty-list<float>
     */
    public function under(string $cause, float $trust): array
    {
        $chances = $this->chances[$cause] ?? $this->chances[self::ELSE];
        $k = count($chances);

        return array_map(static fn (float $one): float => $trust * $one + (1 - $trust) / $k, $chances);
    }

    public function place(string $answer): ?int
    {
        $place = array_search($answer, $this->answers, true);

        return false === $place ? null : $place;
    }

    /**
     * @param list<string> $causes
     *
     * @return array<string, non-empty-list<float>>
     */
    private static function chances(Node $node, array $causes, int $answers): array
    {
        $chances = [];
        $given = $node->node('chances');
        foreach ($given->keys() as $cause) {
            self::ELSE === $cause || in_array($cause, $causes, true) || throw $given->refuse($cause,
                'there is no such cause in this table.');
            $each = $given->floats($cause);
            [] !== $each && count($each) === $answers || throw $given->refuse($cause,
                sprintf('one chance for each of the %d answers.', $answers));
            abs(array_sum($each) - 1) <= self::SUMS && min($each) >= 0.0 || throw $given->refuse(
                $cause, sprintf('the chances of all answers come to one; here to %s.', round(array_sum($each), 3)),
            );
            $chances[$cause] = $each;
        }
        foreach ($causes as $cause) {
            isset($chances[$cause]) || isset($chances[self::ELSE]) || throw $given->refuse($cause,
                'say its chances, or those of “else”.');
        }

        return $chances;
    }
}
