import {
	DataTypes,
	Model,
	type CreationOptional,
	type ForeignKey,
	type InferAttributes,
	type InferCreationAttributes,
	type Sequelize
} from 'sequelize';
import type { KeptFields, KeptKind } from '$lib/api.ts';
import type { FileKind } from '$lib/core/site/index.ts';
import type { Vantage as VantageFields } from '$lib/core/vantage/index.ts';

export class Site extends Model<InferAttributes<Site>, InferCreationAttributes<Site>> {
	declare id: CreationOptional<number>;
	declare name: string;
	/** The folder that contained every file, with its slash; files' paths do not include it. */
	declare root: string;
	declare createdAt: CreationOptional<Date>;
	declare updatedAt: CreationOptional<Date>;
}

export class Blob extends Model<InferAttributes<Blob>, InferCreationAttributes<Blob>> {
	/** Hex SHA-256 of the bytes. */
	declare hash: string;
	declare bytes: Buffer;
}

export class File extends Model<InferAttributes<File>, InferCreationAttributes<File>> {
	declare id: CreationOptional<number>;
	declare siteId: ForeignKey<number>;
	declare path: string;
	declare kind: FileKind;
	declare hash: ForeignKey<string>;
	declare size: number;
	/** Natural size of a picture, px. */
	declare width: number | null;
	declare height: number | null;
	/** Whether it is laid out for reading; null where that has not been determined yet. */
	declare minified: CreationOptional<boolean | null>;
}

export class Revision extends Model<InferAttributes<Revision>, InferCreationAttributes<Revision>> {
	declare id: CreationOptional<number>;
	declare siteId: ForeignKey<number>;
	declare number: number;
	declare message: string;
	/** Paths of all files → hashes of their contents. */
	declare manifest: Record<string, string>;
	declare createdAt: CreationOptional<Date>;
}

export class Draft extends Model<InferAttributes<Draft>, InferCreationAttributes<Draft>> {
	declare id: CreationOptional<number>;
	declare siteId: ForeignKey<number>;
	declare path: string;
	/** The browser tab that wrote it. */
	declare tab: string;
	/** The hash of the file on which the text is based. */
	declare base: string;
	declare text: string;
	/** Offset of the caret. */
	declare caret: number;
	declare updatedAt: CreationOptional<Date>;
}

export class Vantage extends Model<InferAttributes<Vantage>, InferCreationAttributes<Vantage>> {
	declare id: CreationOptional<number>;
	declare siteId: ForeignKey<number>;
	declare position: number;
	/** Whether it is among the small frames of the Bench. */
	declare chorus: boolean;
	declare fields: VantageFields;
}

/** Something small that people store with a site, in a list of its kind. */
export class Kept extends Model<InferAttributes<Kept>, InferCreationAttributes<Kept>> {
	declare id: CreationOptional<number>;
	declare siteId: ForeignKey<number>;
	declare kind: KeptKind;
	declare position: number;
	declare fields: KeptFields[KeptKind];
}

// Sequelize modifies the attributes it is given, so each needs an object of its own.
const id = () => ({ type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const integer = () => ({ type: DataTypes.INTEGER, allowNull: false });

/** Binds the models to a database. The tables themselves are created by the migrations. */
export function bindModels(sequelize: Sequelize): void {
	const plain = { sequelize, timestamps: false } as const;
	Site.init(
		{ id: id(), name: text(), root: text(), createdAt: DataTypes.DATE, updatedAt: DataTypes.DATE },
		{ sequelize, tableName: 'site' }
	);
	Blob.init(
		{ hash: { type: DataTypes.TEXT, primaryKey: true }, bytes: { type: DataTypes.BLOB, allowNull: false } },
		{ ...plain, tableName: 'blob' }
	);
	File.init(
		{
			id: id(),
			siteId: integer(),
			path: text(),
			kind: text(),
			hash: text(),
			size: integer(),
			width: DataTypes.INTEGER,
			height: DataTypes.INTEGER,
			minified: DataTypes.BOOLEAN
		},
		{ ...plain, tableName: 'file' }
	);
	Revision.init(
		{
			id: id(),
			siteId: integer(),
			number: integer(),
			message: text(),
			manifest: { type: DataTypes.JSON, allowNull: false },
			createdAt: DataTypes.DATE
		},
		{ sequelize, tableName: 'revision', updatedAt: false }
	);
	Draft.init(
		{
			id: id(),
			siteId: integer(),
			path: text(),
			tab: text(),
			base: text(),
			text: text(),
			caret: integer(),
			updatedAt: DataTypes.DATE
		},
		{ sequelize, tableName: 'draft', createdAt: false }
	);
	Vantage.init(
		{
			id: id(),
			siteId: integer(),
			position: integer(),
			chorus: { type: DataTypes.BOOLEAN, allowNull: false },
			fields: { type: DataTypes.JSON, allowNull: false }
		},
		{ ...plain, tableName: 'vantage' }
	);
	Kept.init(
		{
			id: id(),
			siteId: integer(),
			kind: text(),
			position: integer(),
			fields: { type: DataTypes.JSON, allowNull: false }
		},
		{ ...plain, tableName: 'kept' }
	);
}
