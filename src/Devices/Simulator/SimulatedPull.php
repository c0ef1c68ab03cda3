<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\Core\Bolting\BoltFields;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\SpringFields;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\JointModel;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use Symfony\Component\Console\Attribute\Option;
use Symfony\Component\Uid\Ulid;

/** How a simulated wrench is to pull, and at what joint where none is in hand. */
final class SimulatedPull
{
    #[Option('What is wrong: none, cross-threaded, bottomed and others')]
    public string $fault = 'none';
    #[Option('Which of the many like joints')]
    public string $seed = '';
    #[Option('Go on until every fastener is final or one is not sound')]
    public bool $all = false;
    #[Option('Do not wait between the pieces')]
    public bool $fast = false;
    #[Option('Send over HTTP to this address')]
    public string $url = '';
    #[Option('The device’s token, with --url')]
    public string $token = '';
    #[Option('Print one reading of the joint given by the options below')]
    public bool $print = false;
    #[Option('The figure')]
    public string $target = '22 N·m';
    #[Option('Thread')]
    public string $thread = 'M8';
    #[Option('Grade')]
    public string $grade = '8.8';
    #[Option('Thread condition')]
    public string $friction = 'oiled';
    #[Option('Plain shank in the grip')]
    public string $shank = '10 mm';
    #[Option('Thread in the grip')]
    public string $threaded = '12 mm';
    #[Option('What is clamped')]
    public string $member = 'aluminium';
    #[Option('Turns to run down')]
    public string $turns = '1.5';

    /** @return array<string, mixed> a reading, with what it was for, so that it can go straight into trace-judge */
    public function printed(Fault $fault): array
    {
        $fields = [BoltFields::thread(), BoltFields::grade(), BoltFields::head(), BoltFields::friction(), ...SpringFields::all()];
        $joint = [
            'thread' => $this->thread, 'grade' => $this->grade, 'friction' => $this->friction, 'shank' => $this->shank,
            'threaded' => $this->threaded, 'member' => $this->member,
        ];
        $in = Inputs::of($joint, $fields);
        $bolt = BoltFields::read($in);
        $given = Inputs::of(
            ['target' => $this->target, 'turns' => $this->turns],
            [Field::quantity('target', 'target', Kind::Torque, '22 N·m'), Field::quantity('turns', 'turns', Kind::Number, '1.5')],
        );
        [$target, $turns] = [$given->positive('target', Kind::Torque), $given->between('turns', Kind::Number, 0.1, 20.0)];
        $seed = is_numeric($this->seed) ? (int) $this->seed : random_int(1, 1_000_000);
        $model = JointModel::of(
            $bolt,
            Springs::of(
                $bolt->thread, $in->length('shank', 0.0, 1000.0), $in->length('threaded', 0.0, 1000.0),
                Member::parse($joint['member']), $bolt->grade,
            ),
            $target, 360 * $turns, $fault, $seed,
        );

        return [
            'format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid(), 'kind' => 'torque-angle', 'from' => 0,
            'samples' => (new SimulatedPuller($model, $seed))->tighten(), 'done' => true, 'spec' => ['torque' => $target],
            'joint' => $joint + ['turns' => $turns],
        ];
    }
}
