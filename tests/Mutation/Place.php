<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

/** One place of the core where one token is put another way. */
final readonly class Place
{
    public function __construct(
        public string $path,
        public int $at,
        public int $line,
        public string $old,
        public string $new,
        private string $code,
    ) {
    }

    public function name(): string
    {
        return sprintf('%s:%d %s → %s', $this->path, $this->line, $this->old, $this->new);
    }

    public function mutant(): string
    {
        return substr_replace($this->code, $this->new, $this->at, strlen($this->old));
    }

    /** The line it stands in, with the place marked. */
    public function marked(): string
    {
        $from = (int) strrpos(substr($this->code, 0, $this->at), "\n");
        $to = strpos($this->code, "\n", $this->at);
        $after = $this->at + strlen($this->old);

        return substr($this->code, $from, $this->at - $from).'«'.$this->old.'»'
            .substr($this->code, $after, (false === $to ? strlen($this->code) : $to) - $after);
    }
}
