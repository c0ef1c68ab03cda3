<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Renewal;

/** What a part that came off is judged by. */
enum WornBy: string
{
    case Length = 'length';
    case Thickness = 'thickness';
    case Wear = 'wear';
    case Crack = 'crack';
    case Hardness = 'hardness';
    case Look = 'look';
    case Age = 'age';
    case Nail = 'nail';

    public function label(): string
    {
        return match ($this) {
            self::Length => 'Length, mm',
            self::Thickness => 'Thickness, mm',
            self::Wear => 'Wear or play, mm',
            self::Crack => 'A crack, tear or groove',
            self::Hardness => 'Hardness by a gauge, Shore A',
            self::Look => 'Looked at, sound',
            self::Age => 'Age or distance',
            self::Nail => 'Hardness by a fingernail',
        };
    }

    /** The unit of what is read; empty where nothing is. */
    public function unit(): string
    {
        return match ($this) {
            self::Length, self::Thickness, self::Wear => 'mm',
            self::Hardness => 'Shore A',
            default => '',
        };
    }

    public function isRead(): bool
    {
        return '' !== $this->unit();
    }
}
