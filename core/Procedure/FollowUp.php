<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** Something that falls due after the fit: after so many days, or so many km, or whichever comes first. */
final readonly class FollowUp
{
    public const NONE_ID = '';

    public function __construct(
        public string $id, public string $kind, public string $title, public string $text, public int $days, public int $km,
    ) {
    }

    public static function none(): self
    {
        return new self(self::NONE_ID, '', '', '', 0, 0);
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->string('kind', 'check'), $node->string('title'), $node->string('text', ''),
            $node->int('days', 0), $node->int('km', 0),
        );
    }

    public function titled(string $title): self
    {
        return new self($this->id, $this->kind, $title, $this->text, $this->days, $this->km);
    }

    public function isNone(): bool
    {
        return self::NONE_ID === $this->id;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'kind' => $this->kind, 'title' => $this->title, 'text' => $this->text, 'days' => $this->days,
            'km' => $this->km,
        ];
    }
}
